import { firstItem } from '../../lists';
/** The id of a line: whose it is, and which of its outputs or inputs where it has several. */
export const lineId = (owner: string, part = ''): string => (part ? `${owner}/${part}` : owner);
/** Whose a line is. */
export const ownerOf = (line: string): string => firstItem(line.split('/'));
