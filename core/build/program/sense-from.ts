import { comesByMessage, type Sense } from '../../ground/job';
import { isReadable } from '../lines';
import type { SenseFrom } from './types';

/**
 * Where a program that needs nothing filled in has a sense from: its pin, a message with a topic, a thermometer on one wire; all else only
 * a function of the maker's own reads. @param wire the pin of its wire; null for none.
 */
export function senseFrom(s: Sense, wire: number | null): SenseFrom {
  if (isReadable(s)) return 'pin';
  if (comesByMessage(s)) return s.topic === '' ? 'own' : 'message';
  return s.kind === 'temperature' && wire !== null && s.touches !== 'module' ? 'one-wire' : 'own';
}
