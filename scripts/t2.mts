import { demoJob } from '../core/testing/jobs';
import { assess } from '../core/house/assess';
import { edited, freshJob, freshBoard } from '../core/ground/job';
