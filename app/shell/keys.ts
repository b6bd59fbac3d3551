import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { Bench } from '../store/bench';
import { HandsBusy } from '../store/hands-busy';
import { ROOM_INFO } from './rooms';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) &&
      !/^(checkbox|radio|button)$/.test((target as HTMLInputElement).type)));

/** The keys of the frame; all of them rest while something is typed. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly bench = inject(Bench);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  readonly handsBusy = inject(HandsBusy);
  private afterG = false;

  /** Handles a key of the job frame; gives true where it was taken. */
  handle(event: KeyboardEvent, focusNote: () => void): boolean {
    if (this.dialog.openDialogs.length > 0) return false;
    const undo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
    if (typing(event.target)) return false;
    if (undo) {
      if (event.shiftKey) this.bench.redo();
      else this.bench.undo();
      return true;
    }
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

  async help(): Promise<void> {
    const { KeyHelp } = await import('./key-help');
    this.dialog.open(KeyHelp, { width: '460px', ariaLabelledBy: 'keys-title' });
  }

  private why(): boolean {
    const focused = document.activeElement;
    const button =
      focused instanceof HTMLElement && focused.matches('[data-why]')
        ? focused
        : document.querySelector<HTMLElement>('main [data-why]');
    button?.click();
    return button !== null;
  }

  private here(): number {
    return ROOM_INFO.findIndex((r) => this.router.url.endsWith(`/${r.room}`));
  }

  private along(step: number): void {
    const next = ROOM_INFO[Math.min(ROOM_INFO.length - 1, Math.max(0, this.here() + step))];
    if (next) this.go(next.room);
  }

  private go(room: string): void {
    void this.router.navigate(['/job', this.bench.id(), room]);
  }
}
