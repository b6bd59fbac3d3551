import type { Position, ReversingWiring } from './wiring';

/** Motor as a resistance and a nominal feed for the simulator; only the sign and the size of the motor's voltage are asked for. */
const FEED_VOLTS = 12;
const MOTOR_OHMS = 6;

/**
 * A SPICE netlist of a wiring with its contacts in given positions, for an operating point. Mains wirings stand on the same
 * direct feed, since only who is joined with whom is asked. Nodes: the nets of the wiring, the feed's second net is 0.
 */
export function wiringNetlist(w: ReversingWiring, positions: readonly Position[]): string {
  const [plus, minus] = w.feed;
  const node = (net: string): string => (net === minus ? '0' : net);
  const motor =
    w.kind === 'dc'
      ? [`Rmotor ${node(w.motor[0])} ${node(w.motor[1])} ${MOTOR_OHMS}`]
      : [`Rup ${node(w.motor[0])} 0 ${MOTOR_OHMS}`, `Rdown ${node(w.motor[1])} 0 ${MOTOR_OHMS}`];
  const closed = w.contacts.flatMap((c, i) => {
    const to = positions[i] === 'rest' ? c.rest : positions[i] === 'work' ? c.work : null;
    return to === null ? [] : [`Rc${i} ${node(c.common)} ${node(to)} 1m`];
  });
  // Nets that no closed contact reaches still want a path to node 0.
  const nets = new Set(
    [...w.motor, ...w.contacts.flatMap((c) => [c.common, c.rest, c.work])].filter(
      (n): n is string => n !== null && n !== minus,
    ),
  );
  const ties = [...nets].map((n, i) => `Rt${i} ${node(n)} 0 10meg`);
  return [
    `* ${w.name}`,
    `Vfeed source 0 DC ${FEED_VOLTS}`,
    `Rfeed source ${node(plus)} 10m`,
    ...motor,
    ...closed,
    ...ties,
    '.op',
    '.end',
    '',
  ].join('\n');
}
