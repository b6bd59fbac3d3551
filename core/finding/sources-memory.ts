import type { Source } from './source';

const M = (text: string): Source => ({ tag: 'M', text });

/** Values from memory: please verify. */
export const FROM_MEMORY = {
  'board-wifi17': M(
    'Wi-Fi module, 17 GPIO, on a board with a regulator that is fed with 4.5 to 5.5 V: behaviour ' +
      'of each pin at power-up and its limits, as remembered; measure your own board',
  ),
} as const satisfies Record<string, Source>;
