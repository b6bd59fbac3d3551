/// <reference lib="webworker" />

/** A question to a worker; it is answered once, and news may come before. */
export interface Asked<Q> {
  readonly id: number;
  readonly question: Q;
}

/** What comes back for question `id`. */
export type Reply<A, N> = { readonly id: number } & (
  | { readonly is: 'news'; readonly news: N }
  | { readonly is: 'answer'; readonly answer: A }
  | { readonly is: 'problem'; readonly problem: string }
);

/**
 * Answers questions one after the other; a throw goes back as a problem in words, and the worker lives on.
 * @param handedOn what of an answer is given away instead of copied.
 */
export function serve<Q, A, N = never>(
  answer: (question: Q, tell: (news: N) => void) => A | Promise<A>,
  handedOn: (answer: A, question: Q) => Transferable[] = () => [],
): void {
  let last: Promise<void> = Promise.resolve();
  addEventListener('message', ({ data: { id, question } }: MessageEvent<Asked<Q>>) => {
    last = last.then(async () => {
      const post = (reply: Reply<A, N>, given: Transferable[] = []): void => postMessage(reply, given);
      try {
        const found = await answer(question, (news) => post({ id, is: 'news', news }));
        post({ id, is: 'answer', answer: found }, handedOn(found, question));
      } catch (error) {
        post({ id, is: 'problem', problem: error instanceof Error ? error.message : String(error) });
      }
    });
  });
}
