/// <reference lib="webworker" />
import type { Search, Stories } from '../../core/stories';
import { searchJob } from '../../core/stories';
import { serve } from './serve';

/** A search of stories with so many things going wrong. */
export interface StoryOrder {
  readonly search: Search;
  readonly most: number;
}

/** Which share of the search is done. */
export interface StoryNews {
  readonly share: number;
}

serve<StoryOrder, Stories, StoryNews>(({ search, most }, tell) =>
  searchJob(search, most, (share) => {
    tell({ share });
    return true;
  }),
);
