import { type Room } from '../../core/ground/job';

export interface RoomInfo {
  readonly room: Room;
  readonly name: string;
  /** The letter after `g` that goes there. */
  readonly letter: string;
  readonly question: string;
}

/** The eleven rooms as the interface names them. */
export const ROOM_INFO: readonly RoomInfo[] = [
  { room: 'wish', name: 'Wish', letter: 'w', question: 'What should happen, and what never?' },
  { room: 'probe', name: 'Probe', letter: 'p', question: 'What is each control, electrically?' },
  { room: 'thumb', name: 'Thumb', letter: 't', question: 'Which way of pressing suits?' },
  { room: 'board', name: 'Board', letter: 'b', question: 'Which pin for what, and what does it do at power-up?' },
  { room: 'feed', name: 'Feed', letter: 'f', question: 'Where does the power come from?' },
  { room: 'guard', name: 'Guard', letter: 'g', question: 'What can hurt someone?' },
  { room: 'sense', name: 'Sense', letter: 's', question: 'How do we know that it happened?' },
  { room: 'act', name: 'Act', letter: 'a', question: 'What does the plan do to the machine?' },
  { room: 'routine', name: 'Routine', letter: 'r', question: 'When does it act by itself?' },
  { room: 'try', name: 'Try', letter: 'y', question: 'Does it do what was expected?' },
  { room: 'pack', name: 'Pack', letter: 'k', question: 'What leaves?' },
];
