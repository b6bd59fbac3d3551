import { listed, type ListsOf } from '../place';
import { recordingFields } from './fields';
import type { JobRecording } from './types';

/** Keyed lists of this section. */
export interface RecordingLists {
  recordings: JobRecording;
}
/** What is known of each of these lists. */
export const RECORDING_LISTS: ListsOf<RecordingLists> = {
  recordings: listed(recordingFields, 'recording', 'sense'),
};
