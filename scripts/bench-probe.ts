// Walks thousands of boards drawn at random and prints how Probe fared. Run: npm run bench:probe [-- boards seed]
import { probeBench } from '../core/rooms/probe';

const boards = Number(process.argv[2] ?? 2000);
const seed = Number(process.argv[3] ?? 2026);
const percent = (x: number): string => `${(100 * x).toFixed(2)} %`;

for (const even of [false, true]) {
  const began = performance.now();
  let told = 0;
  const r = probeBench(boards, seed, even, (done) => {
    if (done - told >= boards / 4) console.error(`${(told = done)} of ${boards}`);
  });
  console.log(
    `\n${boards} boards, ` +
      `${even ? 'every kind equally often' : 'kinds as often as met'}, seed ${seed}, ` +
      `${((performance.now() - began) / 1000).toFixed(0)} s`,
  );
  console.log(
    `held, not isolated from mains: ${r.held}; of the rest known or reported as a tie ` +
      `within 16 readings after isolation: ${percent(r.knownShare)} (${r.ties} ties)`,
  );
  console.log(`median readings ${r.medianReadings}; of those called known right: ${percent(r.rightShare)}`);
  console.log(
    `calibration error: all kinds ${percent(r.calibration)}, leading kind ` +
      `${percent(r.leadingCalibration)}; unsafe readings proposed: ${r.unsafe}`,
  );
  for (const [kind, k] of Object.entries(r.byKind))
    console.log(`  ${kind.padEnd(18)} ${String(k.boards).padStart(5)} boards, ${k.known} known, ${k.wrong} wrong`);
  const counts = new Map<string, number>();
  r.wrong.forEach((w) => counts.set(w, (counts.get(w) ?? 0) + 1));
  [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 8)
    .forEach(([w, n]) => console.log(`    ${n} x ${w}`));
}
