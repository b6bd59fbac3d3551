import type { ProgramContact, ProgramPress } from './types';

/** Every contact of a press, those of its other side or direction last. */
export function packedContacts(p: ProgramPress): ProgramContact[] {
  const level = p.pressesOn === 'high' || p.pulses ? 1 : 0;
  const one = { press: p.id, name: p.name, level, other: false };
  const there = { ...one, name: `${p.name}, other side`, other: true };
  if (p.order)
    return [
      { ...one, pin: p.order.by === 'two' ? p.pin : p.order.second },
      { ...there, pin: p.order.second },
    ];
  return [
    ...[p.pin, ...p.more].map((pin) => ({ ...one, pin })),
    // The other side of a rocker is one more press on the same pin.
    ...(p.pulses && p.pulses.other !== null ? [{ ...there, pin: p.pin, level: 2 }] : []),
  ];
}
