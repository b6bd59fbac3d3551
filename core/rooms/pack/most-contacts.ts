/** Contacts lie in the bits of one number of the program. By itself, since what judges a job needs no text of a program. */
export const MOST_CONTACTS = 30;
