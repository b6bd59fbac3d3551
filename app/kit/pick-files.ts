/** Asks for files as the browser does it; gives none where the dialog was left. */
export function pickFiles(accept: string, several = false): Promise<readonly File[]> {
  return new Promise((done) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.multiple = several;
    input.addEventListener('change', () => done([...(input.files ?? [])]));
    input.addEventListener('cancel', () => done([]));
    input.click();
  });
}
