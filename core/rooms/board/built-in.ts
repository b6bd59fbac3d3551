import type { BoardPin, BoardProfile } from '../../ground/job';
import type { Line } from '../../build/lines';

/** What a bought switch keeps its pins for. */
type Use = 'contact' | 'button' | 'lamp';
const USE_WORDS: Readonly<Record<Use, string>> = { contact: 'its contact', button: 'its button', lamp: 'its lamp' };

/** What a pin of a bought switch is soldered to; null for one that leads nowhere inside. */
const useOf = ({ module: m }: BoardProfile, gpio: number): Use | null => {
  if (!m) return null;
  if (gpio === m.contactGpio) return 'contact';
  if (gpio === m.buttonGpio) return 'button';
  return gpio === m.lampGpio ? 'lamp' : null;
};

/** What a line may lie on inside of such a switch. */
const wantsOf = (line: Line): Use | null => {
  if (line.press?.way === 'module-contact') return 'contact';
  if (line.of === 'hand') return 'button';
  return line.of === 'sign' ? 'lamp' : null;
};

/**
 * Why a line may not lie on a pin of a bought switch: its contact, button and lamp are soldered to theirs, and a wire to any other would
 * leave the casing, where the pins stand at mains unless reinforced insulation is between. Null where nothing of that stands against it.
 */
export function builtInFit(line: Line, pin: BoardPin, profile: BoardProfile): [title: string, caption: string] | null {
  const { module } = profile;
  if (!module) return null;
  const use = useOf(profile, pin.gpio);
  const wants = wantsOf(line);
  if (wants === 'contact')
    return use === 'contact'
      ? null
      : [`The contact of the ${profile.name} hangs on pin ${module.contactGpio}, and on no other`, 'not its contact'];
  if (use !== null && use === wants) return null;
  if (use !== null)
    return [
      `Pin ${pin.gpio} is soldered to ${USE_WORDS[use]} inside of the ${profile.name}`,
      `pin ${pin.gpio} is taken`,
    ];
  if (module.insulation === 'reinforced') return null;
  return [
    module.insulation === 'none'
      ? `The pins of the ${profile.name} stand at mains: a wire for ${line.name} would bring it out of its casing`
      : `Whether the pins of the ${profile.name} stand at mains is not said: a wire for ${line.name} may bring it out of its casing`,
    'pins at mains',
  ];
}
