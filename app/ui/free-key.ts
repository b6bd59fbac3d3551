/** True where a key was pressed with nothing in hand: on the page itself, or on the room as it is after the frame was skipped. */
export const isFree = (target: EventTarget | null): boolean =>
  target === document.body || (target instanceof HTMLElement && target.id === 'room');
