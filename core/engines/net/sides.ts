import type { Element, ElementOf } from './element';
import type { Side, Standing } from './point';

/** A side is left only by more than this, V and A: what stands on a corner stays. */
const NEAR_VOLTS = 1e-7;
const NEAR_AMPS = 1e-10;

const across = (net: Standing, e: Element): number => net.nodeVolts(e.a) - net.nodeVolts(e.b);

/** The side on which an element stands as the circuit is now; undefined for one that has none. */
export function sideOf(net: Standing, e: Element): Side | undefined {
  switch (e.is) {
    case 'junction':
      return sideOfJunction(net, e);
    case 'follower':
      return sideOfFollower(net, e);
    case 'channel':
      return sideOfChannel(net, e);
    case 'converter':
      return sideOfConverter(net, e);
    default:
      return undefined;
  }
}

function sideOfJunction(net: Standing, e: ElementOf<'junction'>): Side {
  if (net.sides.get(e.id) !== 'off') return net.current(e.id) < -NEAR_AMPS ? 'off' : 'on';
  return across(net, e) > net.value(e.id, 'volts') + NEAR_VOLTS ? 'on' : 'off';
}

function sideOfFollower(net: Standing, e: ElementOf<'follower'>): Side {
  if (net.sides.get(e.of) === 'off') return 'off';
  if (net.sides.get(e.id) === 'full') {
    const wanted = net.value(e.id, 'gain') * net.current(e.of);
    return net.current(e.id) > wanted + NEAR_AMPS ? 'on' : 'full';
  }
  return across(net, e) < net.value(e.id, 'leastVolts') - NEAR_VOLTS ? 'full' : 'on';
}

function sideOfChannel(net: Standing, e: ElementOf<'channel'>): Side {
  const gate = net.nodeVolts(e.gate) - net.nodeVolts(e.b);
  if (gate < net.value(e.id, 'thresholdVolts')) return 'off';
  return gate < net.value(e.id, 'fullVolts') - NEAR_VOLTS ? 'on' : 'full';
}

function sideOfConverter(net: Standing, e: ElementOf<'converter'>): Side {
  const input = across(net, e);
  if (e.startsAt !== null) return input < e.startsAt ? 'off' : 'full';
  const drop = net.value(e.id, 'dropVolts');
  if (input <= drop) return 'off';
  return input < net.value(e.id, 'volts') + drop - NEAR_VOLTS ? 'on' : 'full';
}
