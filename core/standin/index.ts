export { RICE_POT, STANDINS, type Standin } from './models';
export { levelsObeyed, pressStandin, restartStandin, type TryOut } from './try-out';
export { readStandin, type MeterReading } from './virtual-meter';
