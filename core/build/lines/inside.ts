import type { Job, SwitchModule } from '../../ground/job';
import { pinOf } from './lines';

/** Whether a hand or a sign is the button or the lamp of a bought switch itself: it has no wire, and no part is bought for it. */
export function isInside(job: Job, module: SwitchModule | null | undefined, line: string): boolean {
  const gpio = pinOf(job, line);
  return !!module && gpio !== null && (gpio === module.buttonGpio || gpio === module.lampGpio);
}
