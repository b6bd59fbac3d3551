/// <reference lib="webworker" />
import { workOn, type WorkOrder, type WorkResult } from '../../core/house/long-work';
import { serve } from './serve';

/** Which share is done. */
export interface WorkNews {
  readonly share: number;
}

serve<WorkOrder, WorkResult, WorkNews>((order, tell) => workOn(order, (share) => tell({ share })));
