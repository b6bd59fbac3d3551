import { inject, type Signal } from '@angular/core';
import { BreakpointObserver } from '@angular/cdk/layout';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** Where Do and Know are two tabs, as on a phone. */
const NARROW = '(max-width: 760px)';

/** Whether drawings have the width of a phone: they are laid out anew for it, and not made smaller. */
export function isNarrow(): Signal<boolean> {
  const at = inject(BreakpointObserver);
  return toSignal(at.observe(NARROW).pipe(map((s) => s.matches)), { initialValue: at.isMatched(NARROW) });
}
