export { STANDIN_FAULT_WORDS, type StandinFault } from './faults';
export { buildFor, RICE_POT, STANDINS, type Standin } from './models';
export { crossing, padCapture, PROOFER_PAD, type PadModel } from './pad-scan';
export { isPractice, standinOf } from './practice';
export { practiceJob } from './practice-job';
export { levelsObeyed, pressStandin, restartStandin, type TryOut } from './try-out';
export { readStandin, type Measurable, type MeterReading } from './virtual-meter';
