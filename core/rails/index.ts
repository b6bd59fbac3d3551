export { loadToTry, sourcesTold } from './bench-words';
export { dischargeSeconds, railFindings, sourceOhms, SUPPLY_SHARE, testLoad, usableAmps } from './rails';
