import { regex } from './regex';
import type { Look, MachineState } from '../job';

/** Words that are said around a reading and change nothing of it. */
const FILLERS =
  'a an the this that these those there here it its i we you they he she me my our and or then so but also only just now ' +
  'about approx approximately roughly circa around exactly nearly almost is are was were be being been has have had do does ' +
  'did reads read reading readings shows show showing shown measures measure measured measuring measurement gives give gave ' +
  'got get getting says say said see seen saw find found came comes come stays stay remains remain sits sit stands stand ' +
  'goes went drops drop dropped falls fell rises rose jumps jump jumped equals equal of in at on by for from with when while ' +
  'if as during under over still again than between across to against relative respect versus vs side sides both ' +
  'one end ends button buttons key keys knob control terminal terminals contact contacts pin pins pad pads leg legs point ' +
  'points wire wires lead leads probe probes tip tips meter multimeter dmm counter display screen value state condition ' +
  'position voltage volts volt resistance ohms current amps frequency duty ' +
  'cycle high low always machine device appliance board panel unit whole ' +
  'red black dc line? down up side through flows flowing well ok okay yes my please note? can could per each check checked ' +
  'test tested tried using set mode range first brings bring brought pulls pulled pull drives drive lifts lift sinks sink makes make ' +
  'pulses pulse pulsing toggles flow connected joined shorted behind feel feels about wobbly steady steadily ca nothing other touching';
/** Words that say nothing of a reading. */
export const FILLER_WORDS: ReadonlySet<string> = new Set(FILLERS.split(' ').filter((w) => !w.endsWith('?')));

/** How the state of the machine is said; what stands higher is looked for first and taken out of the line. */
export const STATE_PHRASES: readonly (readonly [MachineState | 'unpressed' | 'powered', RegExp])[] = [
  [
    'plug-turned',
    /\b(?:the )?plug (?:is |was |has been )?(?:turned|reversed|flipped|rotated|swapped)(?: (?:a?round|over))?\b/gi,
  ],
  ['plug-turned', /\bplug[- ]turned\b|\bplug (?:in )?the other way(?: a?round)?\b|\b(?:turned|reversed) plug\b/gi],
  [
    'loaded-100k',
    regex(
      'gi',
      String.raw`\b(?:with |through |under )?(?:load of )?100 ?k(?:Ω| ?ohms?)?(?: (?:resistor|`,
      String.raw`load))?(?: (?:across(?: (?:the tips|the probes|it))?|in parallel|as a load))|`,
      String.raw`\bloaded[- ](?:with )?100 ?k\b|`,
      String.raw`\b(?:with|under load)(?: an?)? 100 ?k(?:Ω| ?ohms?)?(?: resistor)?(?: across(?: the tips| the probes| it)?)?(?=\s)`,
    ),
  ],
  [
    'loaded-10k',
    regex(
      'gi',
      String.raw`\b(?:with |through |under )?(?:load of )?10 ?k(?:Ω| ?ohms?)?(?: (?:resistor|`,
      String.raw`load))?(?: (?:across(?: (?:the tips|the probes|it))?|in parallel|as a load))|`,
      String.raw`\bloaded[- ](?:with )?10 ?k\b|`,
      String.raw`\b(?:with|under load)(?: an?)? 10 ?k(?:Ω| ?ohms?)?(?: resistor)?(?: across(?: the tips| the probes| it)?)?(?=\s)`,
    ),
  ],
  [
    'loaded',
    regex(
      'gi',
      String.raw`\b(?:with |through |under )?(?:load of )?1 ?k(?:Ω| ?ohms?)?(?: (?:resistor|`,
      String.raw`load))?(?: (?:across(?: (?:the tips|the probes|it))?|in parallel|as a load))|`,
      String.raw`\bloaded(?: with 1 ?k)?\b|`,
      String.raw`\b(?:with|under load)(?: an?)? 1 ?k(?:Ω| ?ohms?)?(?: resistor)?(?: across(?: the tips| the probes| it)?)?(?=\s)`,
    ),
  ],
  [
    'neighbour',
    regex(
      'gi',
      String.raw`\b(?:(?:while|when|with) )?(?:neighbou?r(?:ing)?|next|other|adjacent|another)(?: (?:button|key|`,
      String.raw`one))?(?: (?:is|was))? (?:held|pressed|pushed|down)(?: down)?\b|`,
      String.raw`\bneighbou?r(?:ing)?(?: (?:button|key))?\b`,
    ),
  ],
  [
    'released',
    /\b(?:(?:after|once|when) )?(?:i |you |it (?:is |was )?)?(?:released?|letting (?:it )?go|let (?:it )?go)\b/gi,
  ],
  [
    'unpressed',
    regex(
      'gi',
      String.raw`\b(?:when |while |if )?(?:i |it |it's |is |button |key )*(?:not|un|never|without|nobody|nothing|`,
      String.raw`none|no ?one|isn't|isnt|don't|do not|am not|i'm not) ?(?:is )?(?:being )?(?:press(?:ed|es|ing)?|`,
      String.raw`push(?:ed|es|ing)?|held|touch(?:ed|es|ing)?|hold(?:ing)?)(?: (?:it|the button))?\b|\bno press\b|`,
      String.raw`\bbutton up\b|\bhands? off\b`,
    ),
  ],
  ['idle', /\b(?:at )?(?:rest(?:ing)?|idle|idling|standby|quiescent)\b|\bin standby\b/gi],
  [
    'pressed',
    regex(
      'gi',
      String.raw`\b(?:when|while|if|as|with|once)? ?(?:i|you|we|it is|it's|is)? ?(?:keep |being )?(?:press(?:ed|`,
      String.raw`ing|es)?|push(?:ed|ing|es)?|hold(?:ing)?|held|depress(?:ed)?|squeeze[ds]?)(?: (?:it|`,
      String.raw`the (?:button|key|switch)|down|in))*\b|\bbutton down\b`,
    ),
  ],
  ['moving-back', /\bmoving[- ]back\b|\brunning (?:the other way|back(?:wards?)?)\b|\bgoing down\b|\bclosing\b/gi],
  ['moving', /\bmoving\b|\brunning (?:one way|forwards?)\b|\bgoing up\b|\bopening\b/gi],
  [
    'turning',
    /\b(?:while |when )?(?:i )?turn(?:ing|ed)?(?: (?:it|the knob|round))*\b(?! (?:off|on))|\bknob turned\b/gi,
  ],
  [
    'running',
    regex(
      'gi',
      String.raw`\b(?:while|when|with)? ?(?:it|the machine)? ?(?:is )?(?:running|runs)\b|`,
      String.raw`\b(?:during (?:a|the) run|(?:during|in) operation|in use)\b`,
    ),
  ],
  [
    'off',
    regex(
      'gi',
      String.raw`\b(?:with )?(?:the )?plug(?: is)? (?:out|pulled)\b|\bunplugged\b|\bpulled (?:the )?plug\b|`,
      String.raw`\b(?:power|mains)(?: is)? (?:off|out|removed)\b|`,
      String.raw`\b(?:no|without|not) (?:power|plugged in|powered)\b|`,
      String.raw`\bdisconnected\b|\bnot connected\b|\bunpowered\b|\boff\b`,
    ),
  ],
  [
    'powered',
    regex(
      'gi',
      String.raw`\bpowered(?: (?:on|up))?\b|\bplugged in\b|\bpower(?: is)? on\b|\b(?:switched|turned) on\b|`,
      String.raw`\bwith power\b|\bunder power\b|\b(?:the )?machine on\b`,
    ),
  ],
];

/** Where a probe may stand besides a terminal, as people call it. */
export const PLACE_WORDS: readonly (readonly [kind: string, RegExp])[] = [
  ['ground', /\b(?:ground|gnd|common|chassis ground|circuit ground|signal ground|0 ?v rail|minus)\b/i],
  ['earth', /\b(?:mains|protective) earth\b/i],
  ['mains', /\b(?:both (?:mains )?pins|live and neutral(?: together)?|mains(?: (?:pins|plug))?|the plug'?s? pins)\b/i],
  ['live', /\b(?:live|hot|phase)\b/i],
  ['live', /\bL (?:pin|conductor)\b/],
  ['neutral', /\bneutral\b/i],
  ['neutral', /\bN (?:pin|conductor)\b/],
  ['earth', /\b(?:protective )?earth\b|\bPE\b/],
];

/** How a look is told. */
export const LOOK_PHRASES: readonly (readonly [Look, RegExp])[] = [
  [
    'springs-back',
    regex(
      'i',
      String.raw`\bspring(?:s|y)?[ -]?back\b|\bspringy\b|\bmomentary\b|\bpush ?button\b|\bcomes back\b|`,
      String.raw`\bpops back\b|\btact(?:ile)? (?:switch|button)\b`,
    ),
  ],
  ['membrane', /\bmembrane\b|\bfoil (?:key|button|pad)\b/i],
  ['glass', /\bglass\b|\btouch (?:pad|key|sensor|button)\b|\bcapacitive\b/i],
  ['stays-down', /\bstays? (?:down|in)\b|\blatch(?:es|ing)\b|\bclicks in and stays\b/i],
  ['rocker', /\brocker\b/i],
  ['turns-to-stops', /\bturns? to (?:a )?stops?\b|\brotary (?:switch )?with stops\b|\bpotentiometer\b/i],
  ['turns-on', /\bturns? on and on\b|\bendless\b|\bencoder\b|\bturns?-on\b/i],
  ['terminals', /\b(?:screw )?terminals\b/i],
  ['connector', /\bconnector\b|\bplug(?:gable)? header\b/i],
  ['two-wires', /\btwo wires\b/i],
];

/** Words that are said around a look and change nothing of it. */
export const LOOK_FILLERS = regex(
  'gi',
  String.raw`\b(?:looks?(?: like)?|feels?(?: like)?|switch|type|kind|clicks?|clicking|keypad|until|pressed again|`,
  String.raw`again|small|round|rubber|plastic)\b`,
);

/** What a joining of two terminals did. */
export const EFFECT_PHRASES: readonly (readonly ['acts' | 'nothing', RegExp])[] = [
  [
    'nothing',
    regex(
      'i',
      String.raw`\b(?:does |did |do |and |but )?nothing(?: happens| happened)?\b|\bno (?:effect|reaction|`,
      String.raw`response)\b|\bdoesn'?t (?:react|work|move|start|act)\b|\bwithout effect\b`,
    ),
  ],
  [
    'acts',
    regex(
      'i',
      String.raw`\b(?:it |the machine |that )?(?:acts|acted|works|worked|starts|started|moves|moved|reacts|`,
      String.raw`reacted|runs|ran|clicks|responds|responded|switches on|turns on|goes on)(?: it| the machine)?\b`,
    ),
  ],
];
