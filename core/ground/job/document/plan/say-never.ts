import { formatQuantity } from '../../../quantity';
import type { Job, Never } from '../types';

/** What must never happen, as the end of a sentence that begins with “never”: people write that word themselves. */
export const neverSaid = (text: string): string =>
  text
    .trim()
    .replace(/^(it\s+)?(must\s+|may\s+|should\s+|shall\s+)?never\s+/i, '')
    .trim();

const degreesAt = (job: Pick<Job, 'senses'>, n: Never): string =>
  `than ${formatQuantity(n.degrees, '°C')} at ${job.senses.find((x) => x.id === n.sense)?.name ?? '…'}`;

/** A condition in words, as the end of a sentence that begins with “never”; gaps stand as dots. */
export function sayNever(job: Pick<Job, 'presses' | 'senses'>, n: Never): string {
  const state = (s: string): string => `“${s || '…'}”`;
  const press = (id: string): string => job.presses.find((p) => p.id === id)?.name ?? '…';
  switch (n.kind) {
    case 'lasts-longer':
      return `${state(n.state)} for longer than ${formatQuantity(n.seconds, 's')}`;
    case 'state-while':
      return `${state(n.state)} while ${state(n.other)}`;
    case 'both-at-once':
      return n.press !== '' && n.press === n.otherPress
        ? `${press(n.press)} both ways at once`
        : `${press(n.press)} and ${press(n.otherPress)} at once`;
    case 'starts-per-arming':
      return `more than ${n.count} ${n.count === 1 ? 'start' : 'starts'} for one arming`;
    case 'no-warning':
      return `${state(n.state)} without ${formatQuantity(n.seconds, 's')} of warning before it`;
    case 'output-longer':
      return `${press(n.press)} on for longer than ${formatQuantity(n.seconds, 's')}`;
    case 'believes-wrongly':
      return `${state(n.other)} while the plan believes ${state(n.state)}, for longer than ${formatQuantity(n.seconds, 's')}`;
    case 'gets-warmer':
      return `warmer ${degreesAt(job, n)}`;
    case 'gets-colder':
      return `colder ${degreesAt(job, n)}`;
  }
}

/** What a condition still lacks, in words; empty where it is whole. */
export function neverLacks(n: Never): string {
  const needs: Readonly<Record<Never['kind'], readonly (keyof Never)[]>> = {
    'lasts-longer': ['state'],
    'state-while': ['state', 'other'],
    'both-at-once': ['press', 'otherPress'],
    'starts-per-arming': [],
    'no-warning': ['state'],
    'output-longer': ['press'],
    'believes-wrongly': ['state', 'other'],
    'gets-warmer': ['sense'],
    'gets-colder': ['sense'],
  };
  const words: Partial<Record<keyof Never, string>> = {
    state: 'which state',
    other: 'what else is so',
    press: 'which press',
    otherPress: 'which other press',
    sense: 'which thermometer',
  };
  return needs[n.kind]
    .filter((key) => n[key] === '')
    .map((key) => words[key])
    .join(' and ');
}
