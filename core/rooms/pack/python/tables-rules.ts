import type { Program, RuleRow, RulesPart } from '../../../build/program';
import { bit, bits, rowOfCells, table, truth } from './rows';
import { number, remark } from './text';

const EDGES: Readonly<Record<RuleRow['edge'], string>> = { told: 'TOLD', sense: 'BY_SENSE', mode: 'BY_MODE' };
const RULE_DOES: Readonly<Record<RuleRow['does'], string>> = {
  move: 'BEGIN_MOVE',
  'mode-on': 'MODE_ON',
  'mode-off': 'MODE_OFF',
  call: 'CALL_SOMEBODY',
};
const LOOKS = { sense: 'LOOK_SENSE', mode: 'LOOK_MODE', window: 'LOOK_WINDOW' } as const;

const ruleRow = (r: RuleRow): string =>
  rowOfCells(
    [
      ...[EDGES[r.edge], r.of, bit(r.is), r.standsMs, r.first, r.count, RULE_DOES[r.does], r.what, r.tier],
      ...[truth(r.ifArmed), number(r.lateMs), number(r.gapMs), number(r.aDay)],
    ],
    r.words,
  );

/** Rules, modes and limits as tables. */
export const rulesTables = (rules: RulesPart): string =>
  [
    table(
      'RULES',
      'edge, of, is, ms that it stands, looks, deed, what, tier, if armed, ms late, ms apart, a day',
      rules.rules.map(ruleRow),
    ),
    table(
      'LOOKS',
      'at, of, is',
      rules.looks.map((l) => rowOfCells([LOOKS[l.at], l.of, bit(l.is)])),
    ),
    table(
      'MODES',
      'on at the start, holds back tiers under, ms until it ends',
      rules.modes.map((m) => rowOfCells([truth(m.on), m.holds, number(m.endsMs)], m.name)),
    ),
    table(
      'WINDOWS',
      'days, from, until, whole day',
      rules.windows.map((w) => rowOfCells([bits(w.days), w.from, w.until, truth(w.wholeDay)])),
    ),
    rules.words.map((w) => `${remark(w)}\n`).join(''),
    table(
      'LIMITS',
      'ms closed at most, ms open at least',
      rules.limits.map((l) => rowOfCells([number(l.longestMs), number(l.restMs)])),
    ),
    table(
      'PAIRS',
      'never closed together',
      rules.pairs.map(([a, b]) => rowOfCells([bits(a), bits(b)])),
    ),
    table(
      'MAY_START',
      'a day, only armed, only while this sense is known',
      rules.mayStart.map((m) => rowOfCells([number(m.aDay), truth(m.armed), m.known])),
    ),
    `HAND_HOLDS = ${number(rules.handHoldsMs)}\n`,
  ].join('');

/** What the clock shows where it stands, and the instants that only a calendar tells, as seconds of universal time since 2000. */
export function calendarText({ calendar: c }: Program): string {
  const rows = c.instants.map(([at, rule]) => `(${at}, ${rule})`);
  const lines = Array.from(
    { length: Math.ceil(rows.length / 6) },
    (_, i) => `    ${rows.slice(6 * i, 6 * i + 6).join(', ')},`,
  );
  return [
    `MADE_AT = ${c.madeAt}  # ${c.madeOn}, as seconds since 2000: a clock that shows less was never set\n`,
    table(
      'ZONES',
      'from, seconds before universal time',
      c.zones.map(([at, seconds]) => rowOfCells([at, seconds])),
    ),
    rows.length === 0
      ? 'INSTANTS = ()\n'
      : `# Sun, calendar and holidays until ${c.until}: at, rule. Write the program anew before that.\n` +
        `INSTANTS = (\n${lines.join('\n')}\n)\n`,
    'EPOCH_MS = 946684800000 if time.gmtime(0)[0] == 1970 else 0  # boards count from 1970 or from 2000\n',
  ].join('');
}
