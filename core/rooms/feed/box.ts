import { itemAt, lastItem, realAt } from '../../ground/lists';
import {
  atLeast,
  atMost,
  carried,
  chosen,
  computed,
  constant,
  derive,
  judged,
  type Finding,
  type Step,
} from '../../ground/finding';
import { CONTROLLER, type Job } from '../../ground/job';
import { COLD, HOT } from '../../engines/parts';
import { WARMS_SECONDS } from '../../build/whole';
import { isConverter } from '../../engines/supply';
import type { SupplyRun } from './supply-run';

/** What a closed box gives off by its sides, W for each m² and K (`box-heat`). */
const GIVES_OFF = 8;

/** Heat that lasts inside the box, W, by what makes it: the controller, what runs with presses, their parts, and converters. */
function heatInside(r: SupplyRun): Step {
  const controller = r.loads.find((l) => l.id === CONTROLLER);
  const board =
    controller && controller.place >= 0
      ? controller.runAmps * (r.at({ value: 0, course: 0, instant: 0 }, 'lasting').volts[controller.place] ?? 0)
      : 0;
  // Coils and whatever else a press draws stand in the box as well: those that run together at the worst instant, for as long as it lasts.
  const pressed = r.courses.reduce(
    (most, c, course) =>
      c.instants.reduce((m, x, instant) => {
        const volts = r.at({ value: 0, course, instant }, 'lasting').volts;
        const watts = x.active.reduce((sum, a) => {
          const l = r.loads[a.load];
          return l && l.place >= 0 && l.inBox ? sum + Math.min(a.amps, l.runAmps || 0) * (volts[l.place] ?? 0) : sum;
        }, 0);
        return Math.max(m, watts * Math.min(1, x.seconds / WARMS_SECONDS));
      }, most),
    0,
  );
  const lost = r.tree.nodes.reduce((sum, n, i) => {
    if (!isConverter(n) || n.parent < 0) return sum;
    const s = r.at(itemAt(r.lasting, i), 'lasting');
    return sum + realAt(s.into, i) * realAt(s.volts, n.parent) - realAt(s.amps, i) * realAt(s.volts, i);
  }, 0);
  return derive('heat inside', 'P_box', 'P_ctrl + P_coil + P_part + P_conv', 'W', [
    computed('P_ctrl', 'the controller', board, 'W', 'its mean draw times its volts'),
    computed(
      'P_coil',
      'coils and other loads of presses',
      pressed,
      'W',
      'those that run together, for as long as they do',
    ),
    computed(
      'P_part',
      'transistors, bridges and resistors',
      r.pressWatts,
      'W',
      'the whole circuit, each press at its worst',
    ),
    computed('P_conv', 'lost in converters', lost, 'W', 'what goes in less what comes out, at the most that lasts'),
  ]);
}

/** The air around what stands in the box, °C: the room and the box's own heat, or what a case meets where nobody gave its size. */
export function airCelsius(job: Job, r: SupplyRun): Step[] {
  const { widthMetres: w, heightMetres: h, depthMetres: d, roomCelsius } = job.feed.box;
  if (w === null || h === null || d === null)
    return [
      derive('air inside the case, at most', 'T_a', 'T_case', '°C', [
        constant('T_case', 'inside a case, at most', HOT, '°C', 'temperature'),
      ]),
    ];
  const side = (symbol: string, name: string, value: number) =>
    chosen(symbol, name, value, 'm', 'set in Feed', [0.01, 10]);
  const area = derive('sides of the box', 'A', '2 * (w * h + w * d + h * d)', 'm²', [
    side('w', 'width', w),
    side('h', 'height', h),
    side('d', 'depth', d),
  ]);
  const heat = heatInside(r);
  return [
    area,
    heat,
    derive('air inside the box', 'T_a', 'T_room + P_box / (h_b * A)', '°C', [
      chosen('T_room', 'the room, at most', roomCelsius, '°C', 'set in Feed', [-40, 100]),
      carried(heat),
      constant('h_b', 'given off for each square metre and kelvin, W', GIVES_OFF, '1', 'box-heat'),
      carried(area),
    ]),
  ];
}

/** Up to which room a case of unknown size keeps within what parts are reckoned with, and from where down nobody reckons, °C. */
const USUAL_ROOM = 40;
const DEEP_COLD = -20;

/** The room against what parts are reckoned with, where that does not follow from the size of a box. */
function roomFinding(job: Job, sized: boolean): Finding[] {
  const { roomCelsius } = job.feed.box;
  const room = derive('the air around it, at most', 'T', 'T_room', '°C', [
    chosen('T_room', 'the room, at most', roomCelsius, '°C', 'set in Feed', [-40, 100]),
  ]);
  const source = { from: 'source', key: 'temperature' } as const;
  if (roomCelsius < COLD)
    return [
      judged('feed', 'room', {
        title: 'It is colder around it than parts are reckoned with: gains, coils and clocks are not as told',
        caption: 'too cold',
        steps: [room],
        limit: atLeast(COLD, '°C', 'parts are reckoned with from here on', source),
        verdict: roomCelsius < DEEP_COLD ? 'unknown' : 'tight',
        remedy: { text: 'Put the controller where it is warmer, or take parts whose sheets reach down to that.' },
      }),
    ];
  if (sized || roomCelsius <= USUAL_ROOM) return [];
  return [
    judged('feed', 'room', {
      title:
        roomCelsius > HOT
          ? 'The air around it is warmer than parts are judged at'
          : 'How warm it gets in a case of unknown size in so warm a room is not known',
      caption: roomCelsius > HOT ? 'too warm' : 'how warm inside?',
      steps: [room],
      limit: atMost(roomCelsius > HOT ? HOT : USUAL_ROOM, '°C', 'air around a case', source),
      verdict: roomCelsius > HOT ? 'stop' : 'unknown',
      remedy: {
        text:
          roomCelsius > HOT
            ? 'Put the controller where it is cooler.'
            : 'Enter the size of the box under cells and energy: how warm it gets follows.',
      },
    }),
  ];
}

/** The air in the box and around it against what parts are made for. */
export function boxFinding(job: Job, r: SupplyRun): Finding[] {
  const steps = airCelsius(job, r);
  const sized = steps.length > 1;
  const room = roomFinding(job, sized);
  if (!sized) return room;
  return [
    ...room,
    judged('feed', 'box', {
      title: 'Air inside the box against what its parts are judged at',
      caption: 'box heat',
      steps,
      limit: atMost(HOT, '°C', 'what parts are judged at', { from: 'source', key: 'temperature' }),
      tightShare: 0.05,
      remedy:
        lastItem(steps).result.value > HOT
          ? { text: 'Take a larger box, openings below and above, or converters that lose less.' }
          : null,
    }),
  ];
}
