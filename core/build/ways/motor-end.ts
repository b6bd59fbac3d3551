import { legOf, MINUS, PLUS, relayLeg, type Conductor, type Device, type End } from '../ends';

const CONDUCTORS: Readonly<Record<string, Conductor>> = { live: 'line', neutral: 'neutral', earth: 'earth' };

/** A terminal of a reversing wiring by its mark there: `K1:14`, `M1 up`, `supply neutral`, `module OUT1`. */
export function motorEnd(mark: string): End {
  const colon = mark.indexOf(':');
  if (colon >= 0) return relayLeg(mark.slice(0, colon), mark.slice(colon + 1));
  const [of, name] = [mark.slice(0, mark.indexOf(' ')), mark.slice(mark.indexOf(' ') + 1)];
  if (of === 'supply' && name === '+') return PLUS;
  if (of === 'supply' && name === '−') return MINUS;
  const device: Device = of === 'supply' || of === 'module' ? of : `motor ${of}`;
  const conductor = CONDUCTORS[name];
  return legOf(device, of, name, conductor ? { conductor } : {});
}
