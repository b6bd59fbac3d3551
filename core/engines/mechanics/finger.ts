import {
  inPlan,
  carried,
  constant,
  derive,
  worst,
  type Input,
  type Origin,
  type RangedInput,
  type Step,
} from '../../ground/finding';
import type { FingerPlan } from '../../ground/job';

/** Where each value of the plan came from. */
export type GivenFinger = (key: keyof FingerPlan) => Origin;

/** Lengths in metres, angles in degrees from parallel to the front, positive towards the button. */
const SET = {
  hornMetres: ['r', 'length of the horn', 'm'],
  axisMetres: ['D', 'axis above the button’s face', 'm'],
  restDegrees: ['θ_1', 'rest angle', '°'],
  pressDegrees: ['θ_2', 'pressed angle', '°'],
  otherDegrees: ['θ_3', 'angle on the other side', '°'],
  padWidthMetres: ['w', 'width of the pad', 'm'],
  padLengthMetres: ['l', 'length of the pad along the lever', 'm'],
  leverMetres: ['L', 'from the middle of the pad to the press', 'm'],
} as const satisfies Partial<Record<keyof FingerPlan, readonly [string, string, 'm' | '°']>>;

const set = (plan: FingerPlan, given: GivenFinger, key: keyof typeof SET): Input => {
  const [symbol, name, unit] = SET[key];
  return inPlan({ symbol, name, value: plan[key] ?? Number.NaN, unit, origin: given(key) }, `finger.${key}`);
};

/** How far the tip moves towards the button between rest and press, m. */
export const travelStep = (plan: FingerPlan, given: GivenFinger): Step =>
  derive('travel of the tip', 'x', 'r * (sin(θ_2) - sin(θ_1))', 'm', [
    set(plan, given, 'hornMetres'),
    set(plan, given, 'pressDegrees'),
    set(plan, given, 'restDegrees'),
  ]);

/** How deep the tip would stand below the button's face at rest, m; a negative depth is a gap. `angle` is `rest` or `press`. */
export const depthStep = (plan: FingerPlan, angle: 'rest' | 'press', given: GivenFinger): Step =>
  angle === 'press'
    ? derive('tip below the face, pressed', 'd_2', 'r * sin(θ_2) - D', 'm', [
        set(plan, given, 'hornMetres'),
        set(plan, given, 'pressDegrees'),
        set(plan, given, 'axisMetres'),
      ])
    : derive('tip below the face, at rest', 'd_1', 'r * sin(θ_1) - D', 'm', [
        set(plan, given, 'hornMetres'),
        set(plan, given, 'restDegrees'),
        set(plan, given, 'axisMetres'),
      ]);

/** Force at the tip, N: torque over the horn's length, which holds at any angle; for certain, or at most where it stalls. */
export const forceStep = (
  plan: FingerPlan,
  torque: RangedInput,
  given: GivenFinger,
  end: 'lowest' | 'highest' = 'lowest',
): Step =>
  worst(
    end,
    end === 'lowest' ? 'force at the tip' : 'force at the tip where the servo stalls',
    end === 'lowest' ? 'F' : 'F_most',
    'τ / r',
    'N',
    [torque],
    [set(plan, given, 'hornMetres')],
  );

/** Time to swing between the two angles at the slowest, s. */
export const swingStep = (plan: FingerPlan, secondsPer60: RangedInput, given: GivenFinger): Step =>
  worst(
    'highest',
    'time to swing',
    't',
    't_60 * abs(θ_2 - θ_1) / c',
    's',
    [secondsPer60],
    [
      set(plan, given, 'pressDegrees'),
      set(plan, given, 'restDegrees'),
      constant('c', 'angle that the time is stated for', 60, '°', 'parts-servo'),
    ],
  );

/**
 * Pulse width that holds an angle, s: the middle between the two angles stands at the middle of the servo's range; of a rocker
 * that is pressed on both sides, the middle between its two pressed angles.
 */
export function pulseStep(
  plan: FingerPlan,
  servo: { least: Input; most: Input; range: Input },
  at: 'rest' | 'press' | 'other',
  given: GivenFinger,
): Step {
  if (plan.otherDegrees !== null) {
    const angle = { rest: 'restDegrees', press: 'pressDegrees', other: 'otherDegrees' } as const;
    const words = { rest: 'at rest', press: 'pressed', other: 'pressed on the other side' };
    const { symbol } = set(plan, given, angle[at]);
    const inputs = [set(plan, given, 'pressDegrees'), set(plan, given, 'otherDegrees')];
    return derive(
      `pulse width, ${words[at]}`,
      't_p',
      `(t_0 + t_1) / 2 + (${symbol} - (θ_2 + θ_3) / 2) * (t_1 - t_0) / A`,
      's',
      [
        servo.least,
        servo.most,
        ...inputs,
        ...(at === 'rest' ? [set(plan, given, 'restDegrees')] : []),
        { ...servo.range, symbol: 'A' },
      ],
    );
  }
  return derive(
    `pulse width, ${at === 'press' ? 'pressed' : 'at rest'}`,
    't_p',
    `(t_0 + t_1) / 2 + (${at === 'press' ? 'θ_2 - θ_1' : 'θ_1 - θ_2'}) / 2 * (t_1 - t_0) / A`,
    's',
    [
      servo.least,
      servo.most,
      set(plan, given, 'pressDegrees'),
      set(plan, given, 'restDegrees'),
      { ...servo.range, symbol: 'A' },
    ],
  );
}

/**
 * Greatest pull under the pad that holds the servo, Pa: the reaction pulls the pad off and tilts it.
 * σ = F/A + 6·F·L/(w·l²), a stiff rectangle under a force beside its middle. Source: `beam-bending`.
 */
export const pullStep = (plan: FingerPlan, force: Step, given: GivenFinger): Step =>
  derive('greatest pull under the pad', 'σ', `${force.symbol} / (w * l) + c * ${force.symbol} * L / (w * l^2)`, 'Pa', [
    carried(force),
    set(plan, given, 'padWidthMetres'),
    set(plan, given, 'padLengthMetres'),
    set(plan, given, 'leverMetres'),
    constant('c', 'bending of a rectangle', 6, '1', 'beam-bending'),
  ]);
