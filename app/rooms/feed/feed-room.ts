import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { loadsOf } from '../../../core/feed';
import type { FeedPlan } from '../../../core/job';
import { formatQuantity, parseQuantity, type Unit } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { QuantityField } from '../../ui/quantity-field';
import { MarginRulers } from '../../ui/margin-rulers';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Feed: from one source to its loads, as bands whose width is current. */
@Component({
  selector: 'gt-feed-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FindingList, MarginRulers, QuantityField, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>One supply and what hangs on it</h2>
        <div class="fields">
          <label class="field"><span>Supply</span><input #n type="text" maxlength="200" [value]="feed().supply" placeholder="own plug-in supply" (change)="set({ supply: n.value.trim() }, 'supply: ' + n.value.trim())" /></label>
          <label class="field"><span>It gives, V</span><input #v type="text" [value]="feed().volts ?? ''" placeholder="5 V" (change)="number('volts', v, 'V')" /></label>
          <label class="field"><span>and at most, A</span><input #a type="text" [value]="feed().amps ?? ''" placeholder="1 A" (change)="number('amps', a, 'A')" /></label>
          <gt-choice label="It comes from" [value]="feed().rail" [choices]="rails()" (picked)="set({ rail: $event }, $event ? 'the controller hangs on a rail of the machine' : 'a supply of its own')" />
          @if (!feed().rail) {
            <gt-choice label="Is it isolated from mains?" [value]="feed().isolated" [choices]="isolation" (picked)="set({ isolated: $any($event) }, 'supply isolated: ' + $event)" />
          }
          <gt-quantity label="Lead to the controller" unit="m" [value]="feed().leadMetres" hint="not said" (changed)="set({ leadMetres: $event }, 'lead')" />
          <gt-quantity label="Cross-section of its conductors" unit="m²" [value]="feed().leadSquareMetres" [least]="1e-9" hint="0.5mm2, 28AWG" (changed)="set({ leadSquareMetres: $event }, 'cross-section of the lead')" />
        </div>
        <svg [attr.viewBox]="'0 0 700 ' + (36 + bands().length * 62)" width="100%" class="bands rulers" role="img" [attr.aria-label]="label()">
          <text x="0" y="18" font-size="15" font-weight="650">{{ feed().supply || 'supply' }}</text>
          <text x="0" y="38" font-size="14" class="muted">{{ feed().amps === null ? 'not chosen yet' : 'gives ' + say(feed().amps!) }}</text>
          @for (b of bands(); track b.name) {
            <path [attr.d]="b.path" fill="var(--gt-patina-soft)" />
            <path [attr.d]="b.meanPath" fill="var(--gt-patina)" />
            <text x="412" [attr.y]="b.y" font-size="15">{{ b.name }}</text>
            <text x="412" [attr.y]="b.y + 19" font-size="14" class="muted">mean {{ b.mean }}, peak {{ b.peak }}</text>
          }
        </svg>
        <p class="muted">Full width is the peak, the dark core is the mean while the script runs. Both are judged against four fifths of what the supply gives.</p>
        <gt-margin-rulers [findings]="findings()" />
      </div>
      <div know>
        <h3>Is there enough of it?</h3>
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class FeedRoom {
  protected readonly bench = inject(Bench);
  protected readonly feed = computed(() => this.bench.job().feed);
  protected readonly isolation: readonly Choice[] = [['unknown', 'not said yet'], ['yes', 'yes, by its marks'], ['no', 'no']];
  protected readonly rails = computed((): Choice[] => [['', 'a supply of its own'], ...this.bench.job().survey.rails.map((r): Choice => [r.id, `the machine’s rail ${r.name}`])]);
  protected readonly findings = computed(() => this.bench.findings('feed'));
  private readonly loads = computed(() => loadsOf(this.bench.job(), this.bench.assessment().facts));
  protected readonly say = (amps: number): string => formatQuantity(amps, 'A');
  protected readonly bands = computed(() => {
    const loads = this.loads();
    const thick = scaleLinear([0, Math.max(...loads.map((l) => l.peakAmps), this.feed().amps ?? 0, 0.01)], [1.5, 52]);
    let from = 52;
    return loads.map((l, i) => {
      const y = 62 + i * 62;
      const [peak, mean] = [thick(l.peakAmps), thick(l.meanAmps)];
      const flow = (w: number, source: number): string => `M0 ${source}C180 ${source} 200 ${y - w / 2} 400 ${y - w / 2}V${y + w / 2}C200 ${y + w / 2} 180 ${source + w} 0 ${source + w}Z`;
      const band = { name: l.name, mean: this.say(l.meanAmps), peak: this.say(l.peakAmps), y: y - 2, path: flow(peak, from), meanPath: flow(mean, from + (peak - mean) / 2) };
      from += peak + 4;
      return band;
    });
  });
  protected readonly label = computed(() => this.bands().map((b) => `${b.name}: mean ${b.mean}, peak ${b.peak}`).join('; '));

  protected set(set: Partial<FeedPlan>, say: string): void {
    this.bench.change('feed', set, say);
  }

  protected number(key: 'volts' | 'amps', box: HTMLInputElement, unit: Unit): void {
    const parsed = box.value.trim() ? parseQuantity(box.value, unit) : null;
    const ok = !parsed || (parsed.ok && parsed.quantity.value > 0 && parsed.quantity.value <= 1000);
    box.setCustomValidity(ok ? '' : parsed?.ok ? `It must be over 0 and at most 1000 ${unit}.` : (parsed as { message: string }).message);
    box.reportValidity();
    if (!ok) return;
    const value = parsed?.ok ? parsed.quantity.value : null;
    this.set({ [key]: value }, value === null ? `supply ${key} open` : `supply gives ${formatQuantity(value, unit)}`);
  }
}
