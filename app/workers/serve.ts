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

/** Answers questions one after the other; a throw goes back as a problem in words, and the worker lives on. */
export function serve<Q, A, N = never>(answer: (question: Q, tell: (news: N) => void) => A | Promise<A>): void {
  let last: Promise<void> = Promise.resolve();
  addEventListener('message', ({ data: { id, question } }: MessageEvent<Asked<Q>>) => {
    last = last.then(async () => {
      const post = (reply: Reply<A, N>): void => postMessage(reply);
      try {
        post({ id, is: 'answer', answer: await answer(question, (news) => post({ id, is: 'news', news })) });
      } catch (error) {
        post({ id, is: 'problem', problem: error instanceof Error ? error.message : String(error) });
      }
    });
  });
}
