export const VERDICT_ORDER = ['settled', 'tight', 'unknown', 'stop'];
