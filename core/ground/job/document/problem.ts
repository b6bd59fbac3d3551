/** Why a text is no job, or an edit is refused: what, where in it, and what to do. */
export interface LoadProblem {
  what: string;
  where: string;
  todo: string;
}
