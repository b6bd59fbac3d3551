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
    const command = event.ctrlKey || event.metaKey;
    // In a box with something half typed these keys are the box's own; in one that shows what is kept they are the job's.
    if (command && !halfTyped(event.target) && this.undoes(event)) return true;
    if (command || event.altKey || typing(event.target)) return false;
    if (this.afterG) return this.roomOf(event.key);
    if (event.key === '/') focusNote();
    return event.key === '/' || (this.plain[event.key]?.() ?? false);
  }

  /** What each plain key does; false where it was not taken. */
  private readonly plain: Readonly<Record<string, (() => boolean) | undefined>> = {
    '[': () => this.along(-1),
    ']': () => this.along(1),
    g: () => (this.afterG = true),
    n: () => {
      this.go('probe');
      setTimeout(() => document.querySelector<HTMLInputElement>('[data-next-reading]')?.focus(), 150);
      return true;
    },
    b: () => this.busy(),
    w: () => this.why(),
    '?': () => {
      void this.help();
      return true;
    },
    Escape: () => this.handsBusy.on() && this.busy(),
  };

  private undoes({ key, shiftKey }: KeyboardEvent): boolean {
    const letter = key.toLowerCase();
    if (letter === 'y' || (letter === 'z' && shiftKey)) this.redo();
    else if (letter === 'z') this.undo();
    return letter === 'y' || letter === 'z';
  }

  /** The room whose letter follows a g. */
  private roomOf(letter: string): boolean {
    this.afterG = false;
    const info = ROOM_INFO.find((r) => r.letter === letter);
    if (info) this.go(info.room);
    return info !== undefined;
  }

  private busy(): boolean {
    this.handsBusy.toggle();
    return true;
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

  private along(step: number): boolean {
    const here = this.here();
    const next = here < 0 ? undefined : ROOM_INFO[Math.min(ROOM_INFO.length - 1, Math.max(0, here + step))];
    if (next) this.go(next.room);
    return true;
  }

  private go(room: string): void {
    void this.router.navigate(['/job', this.bench.id(), room]);
  }
}

function firstInSight(selector: string): HTMLElement | null {
  const all = [...document.querySelectorAll<HTMLElement>(selector)];
  return all.find((x) => x.checkVisibility()) ?? all[0] ?? null;
}
