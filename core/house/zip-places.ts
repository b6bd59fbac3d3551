/** Where pictures stand in a zip. */
export const PICTURES = 'photographs/';
