import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router, type ActivatedRouteSnapshot } from '@angular/router';
import { UndoBar } from '../kit/undo-bar';
import { Bench } from '../store/bench';
import { HandsBusy } from '../store/hands-busy';
import { ROOM_INFO } from '../ui/rooms';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) &&
      !/^(checkbox|radio|button)$/.test((target as HTMLInputElement).type)));

/** What is typed there and not kept, as the kit's boxes mark it; a box of another sort counts while there is anything in it. */
const halfTyped = (target: EventTarget | null): boolean =>
  typing(target) &&
  ((target as HTMLElement).dataset['half'] !== undefined ||
    (!(target as HTMLElement).hasAttribute('data-kept') && (target as HTMLInputElement).value !== ''));

/** The keys of the frame; all of them rest while something is typed. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly bench = inject(Bench);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly bar = inject(UndoBar);
  readonly handsBusy = inject(HandsBusy);
  private afterG = false;

  /** Handles a key of the job frame; gives true where it was taken. */
  handle(event: KeyboardEvent, focusNote: () => void): boolean {
    if (this.dialog.openDialogs.length > 0) return false;
    const key = event.key.toLowerCase();
    const command = event.ctrlKey || event.metaKey;
    // In a box with something half typed these keys are the box's own; in one that shows what is kept they are the job's.
    if (command && (key === 'z' || key === 'y') && !halfTyped(event.target)) {
      if (key === 'y' || event.shiftKey) this.redo();
      else this.undo();
      return true;
    }
    if (typing(event.target)) return false;
    if (event.ctrlKey || event.metaKey || event.altKey) return false;
    if (this.afterG) {
      this.afterG = false;
      const info = ROOM_INFO.find((r) => r.letter === event.key);
      if (info) this.go(info.room);
      return info !== undefined;
    }
    switch (event.key) {
      case '/':
        focusNote();
        return true;
      case '[':
      case ']':
        this.along(event.key === ']' ? 1 : -1);
        return true;
      case 'g':
        this.afterG = true;
        return true;
      case 'n':
        this.go('probe');
        setTimeout(() => document.querySelector<HTMLInputElement>('[data-next-reading]')?.focus(), 150);
        return true;
      case 'b':
        this.handsBusy.toggle();
        return true;
      case 'w':
        return this.why();
      case '?':
        void this.help();
        return true;
      case 'Escape':
        if (!this.handsBusy.on()) return false;
        this.handsBusy.toggle();
        return true;
      default:
        return false;
    }
  }

  /** Takes the last edit back and says which it was, since it may have been made in another room. */
  undo(): void {
    const said = this.bench.open()?.past.at(-1)?.said;
    if (!said) return;
    this.bench.undo();
    this.bar.say(`undone: ${said}`, () => this.bench.redo(), 'redo');
  }

  redo(): void {
    const said = this.bench.open()?.future.at(-1)?.said;
    if (!said) return;
    this.bench.redo();
    this.bar.say(`done again: ${said}`, () => this.bench.undo());
  }

  async help(): Promise<void> {
    const { KeyHelp } = await import('./key-help');
    this.dialog.open(KeyHelp, { width: '460px', ariaLabelledBy: 'keys-title' });
  }

  /** Opens the number that has the focus, or the first one in sight; one that is folded only where no other stands. */
  private why(): boolean {
    const focused = document.activeElement;
    const button =
      focused instanceof HTMLElement && focused.matches('[data-why]') ? focused : firstInSight('main [data-why]');
    button?.click();
    return button !== null;
  }

  /** The room that the route leads to, whatever else stands in the address. */
  private here(): number {
    let at: ActivatedRouteSnapshot | null = this.router.routerState.snapshot.root;
    for (; at; at = at.firstChild) {
      const place = ROOM_INFO.findIndex((r) => r.room === at!.routeConfig?.path);
      if (place >= 0) return place;
    }
    return -1;
  }

  private along(step: number): void {
    const here = this.here();
    const next = here < 0 ? undefined : ROOM_INFO[Math.min(ROOM_INFO.length - 1, Math.max(0, here + step))];
    if (next) this.go(next.room);
  }

  private go(room: string): void {
    void this.router.navigate(['/job', this.bench.id(), room]);
  }
}

function firstInSight(selector: string): HTMLElement | null {
  const all = [...document.querySelectorAll<HTMLElement>(selector)];
  return all.find((x) => x.checkVisibility()) ?? all[0] ?? null;
}
