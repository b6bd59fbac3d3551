export { dischargeSeconds, railFindings, sourceOhms, SUPPLY_SHARE, testLoad, usableAmps } from './rails';
