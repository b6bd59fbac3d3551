import { demoJob } from '../core/testing/jobs';
import { assess } from '../core/house/assess';
import { threadOf } from '../core/house/thread';
for (const n of ['rice-pot','yard-gate','larder-dehumidifier','dough-proofer','cold-room-alarm','hatch-shutter','extractor-rocker','hood-fan','steam-flaps'] as const){
  const j=demoJob(n); const a=assess(j);
  console.log(n, threadOf(a.findings).map(b=>`${b.room}:${b.verdict}`).join(' '));
  console.log('   ', j.presses.map(p=>`${p.id}:${p.way}`).join(' '), '| senses', j.senses.map(s=>s.kind+':'+s.highVolts).join(), '| hands', j.hands.map(s=>s.kind).join(), '| signs', j.signs.map(s=>s.kind+s.amps).join(), '| feed', j.feed.sources.map(s=>`${s.kind} ${s.volts}V ${s.amps}A`).join(), j.feed.converters.map(c=>c.kind).join(), j.feed.links.map(l=>l.kind).join(), '|', j.board.profile, j.act.parts.map(p=>p.kind).join(), j.wish.hazards.join());
}
