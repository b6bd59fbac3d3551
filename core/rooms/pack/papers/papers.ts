import { messagesOf, type Program } from '../../../build/program';
import type { Bill } from '../../../engines/parts';
import { neverSaid, type Job } from '../../../ground/job';
import { inCharge, slug } from '../slug';
import { csv } from '../tables';
import type { SheetWire } from '../wiring-svg';
import { asyncApi } from './asyncapi';
import { paperText, type PaperBlock } from './paper';
import {
  electricianBlocks,
  guideBlocks,
  labelBlocks,
  programmingBlocks,
  type PaperBoard,
  type PaperMains,
  type PaperPhoto,
} from './sheets';

/** What the papers are told beside wiring and program. */
export interface PackPapers {
  /** Null while no board is chosen. */
  readonly board: PaperBoard | null;
  readonly cautions: readonly string[];
  readonly photos: readonly PaperPhoto[];
  /** Null where no mains is about. */
  readonly mains: PaperMains | null;
  /** When a program begins something by the clock, as a calendar file; null for never. Its library is not for the page. */
  readonly calendarOf: (p: Program) => string | null;
}

/** A file by its name, what it is, its type and its text. */
export type Paper = readonly [name: string, what: string, type: string, text: string];

const HTML = 'text/html';

/** Sheets for people, A4 in black and white. */
export function paperFiles(
  job: Job,
  papers: PackPapers,
  stops: readonly string[],
  wiring: { readonly wires: readonly SheetWire[]; readonly bill: Bill } | null,
  program: Program | null,
  programs: readonly string[],
): Paper[] {
  const day = job.touchedAt.slice(0, 10);
  const paper = (name: string, what: string, heading: string, blocks: readonly PaperBlock[]): Paper => [
    name,
    what,
    HTML,
    paperText(`${job.title}: ${heading}`, day, stops, blocks),
  ];
  const { board, mains } = papers;
  const parts = wiring?.bill.lines.map((l) => [String(l.quantity), l.name, l.value] as const) ?? [];
  const wires = wiring?.wires ?? [];
  return [
    ...(mains
      ? [
          paper(
            'electrician.html',
            'sheet for a licensed electrician',
            'for a licensed electrician',
            electricianBlocks(mains, job.wish.outcome, neverSaid(job.wish.never)),
          ),
        ]
      : []),
    ...(wires.length > 0
      ? [
          paper(
            'build-guide.html',
            'build guide',
            'build guide',
            guideBlocks(papers.cautions, parts, wires, papers.photos),
          ),
          paper('labels.html', 'labels to print', 'labels', labelBlocks(wires, program)),
        ]
      : []),
    ...(board && program && programs.length > 0
      ? [
          paper(
            'programming.html',
            'programming sheet',
            'programming',
            programmingBlocks(board, programs, programs[0]?.endsWith('.py') ? inCharge(job.title) : ''),
          ),
        ]
      : []),
  ];
}

/** What a program says and hears, and when it begins something by the clock. */
export function programPapers(p: Program, { calendarOf }: PackPapers, python: boolean): Paper[] {
  const calendar = calendarOf(p);
  const messages = python ? messagesOf(p, slug(p.title), slug) : [];
  return [
    ...(messages.length > 0
      ? [
          ['messages.json', 'its messages, AsyncAPI', 'application/json', asyncApi(p, messages)] as const,
          [
            'messages.csv',
            'its messages, as a table',
            'text/csv',
            csv(
              ['topic', 'controller', 'what', 'of', 'kept by the broker', 'last will', 'texts'],
              messages.map((m) => [
                m.topic,
                m.way,
                m.what,
                m.name,
                m.retained ? 'yes' : 'no',
                m.will ?? '',
                m.examples.join(' | '),
              ]),
            ),
          ] as const,
        ]
      : []),
    ...(calendar ? [['routine.ics', 'when it begins by the clock', 'text/calendar', calendar] as const] : []),
  ];
}
