/** The keys of the frame with what they do. */
export const KEY_LIST: readonly (readonly [string, string])[] = [
  ['/', 'note line'],
  ['[ and ]', 'along the thread'],
  ['g, then a letter', 'to a room: w p t b f g s a r y k'],
  ['n', 'next reading'],
  ['b', 'hands-busy mode'],
  ['w', 'why, for the focused number'],
  ['Ctrl+Z', 'undo, up to 200 steps'],
  ['Ctrl+Shift+Z or Ctrl+Y', 'redo'],
  ['?', 'this list'],
  ['Esc', 'close, leave'],
];
