import type { ControlKind } from '../job';

/** What each kind is called on screen, and what it means in one line. */
export const KIND_WORDS: Record<ControlKind, { name: string; means: string }> = {
  'low-when-pressed': { name: 'low when pressed', means: 'a pull-up holds the line high; the button joins it to ground' },
  'high-when-pressed': { name: 'high when pressed', means: 'a pull-down holds the line low; the button joins it to the supply' },
  ladder: { name: 'one of several on a line', means: 'each button divides the supply differently' },
  'scanned-matrix': { name: 'scanned keypad', means: 'the controller looks at one row at a time' },
  'dry-pair': { name: 'dry pair', means: 'two terminals of a low-voltage loop that the machine feeds' },
  'switched-load': { name: 'switched load', means: 'the contact carries the load current itself' },
  'touch-pad': { name: 'touch pad', means: 'no metal contact at all' },
  'motor-pair': { name: 'motor pair', means: 'polarity is direction' },
};

/** What each estimated value is called. */
export const PARAMETER_WORDS: Record<string, string> = {
  supplyVolts: 'supply', pullUpOhms: 'pull-up', pullDownOhms: 'pull-down', contactOhms: 'closed button', loopVolts: 'open loop',
  loopOhms: 'loop resistance', loopAmps: 'loop current', loadVolts: 'load voltage', loadOhms: 'load resistance',
};
