/** A press that most machines see and no hand notices as long, s; common practice. */
export const USUAL_PRESS_SECONDS = 0.18;
/** How many times the shortest press that it obeyed is a press that it will obey: common practice. */
export const SAFE_PRESS = 2;
