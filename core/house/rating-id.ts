import type { Fitted, Rating } from '../build/whole';
import type { Finding } from '../ground/finding';

/** Name of a rating's finding within its room. */
export const ratingId = (part: Pick<Fitted, 'id'>, rating: Pick<Rating, 'key'>): string =>
  `rating.${part.id}.${rating.key}`.replace(/\s+/g, '-');

/** Whether a finding is a rating of a part of the whole circuit. */
export const isRating = ({ id, room }: Pick<Finding, 'id' | 'room'>): boolean => id.startsWith(`${room}.rating.`);
