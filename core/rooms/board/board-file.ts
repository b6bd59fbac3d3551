import { jsonSchemaOfGroup, problemOfGroup, type AnyFields } from '../../ground/field';
import { profileFields, profileProblem, type BoardProfile } from '../../ground/job';

const BOARD_FORMAT = 'gentle-thumb/board';
const BOARD_VERSION = 2;
/** Largest board file read, in characters. */
const LIMIT = 1_000_000;

/** A board read from a file, or why it was refused. */
export type BoardLoaded = { ok: true; profile: BoardProfile } | { ok: false; message: string };
const no = (message: string): BoardLoaded => ({ ok: false, message });

/** A board as the text of a file; `readBoard` of it gives an equal board. */
export const boardText = (profile: BoardProfile): string =>
  `${JSON.stringify({ format: BOARD_FORMAT, version: BOARD_VERSION, board: profile }, null, 2)}\n`;

/** Reads a board from a file's text; says which value is wrong, where, and what to do. Never throws. */
export function readBoard(text: string): BoardLoaded {
  if (text.length > LIMIT)
    return no(
      `This file is larger than ${LIMIT / 1e6} MB; a board is far smaller. Pick the file that was saved from Board.`,
    );
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return no('This file is not complete JSON. Take another copy of it.');
  }
  const d = document as { format?: unknown; version?: unknown; board?: unknown } | null;
  if (typeof d !== 'object' || d === null || d.format !== BOARD_FORMAT)
    return no('This is not a board. Pick the file that was saved from Board; its name ends in .board.json.');
  if (d.version !== 1 && d.version !== BOARD_VERSION)
    return no(
      `The file has version ${String(d.version)}; this program reads up to version ${BOARD_VERSION}. The file was not changed.`,
    );
  // Version 1 knew no bought switches.
  const board = d.version === 1 && typeof d.board === 'object' ? { module: null, ...d.board } : d.board;
  const wrong = problemOfGroup(profileFields as unknown as AnyFields, board, 'board');
  if (wrong) return no(`This board is not as it should be: ${wrong.path || 'it'} ${wrong.why}.`);
  const profile = board as BoardProfile;
  const problem = profileProblem(profile);
  return problem ? no(`${problem.what} See board.${problem.where}. ${problem.todo}`) : { ok: true, profile };
}

/** A board file as a JSON Schema (2020-12), made from the very fields that the border checks. */
export const boardJsonSchema = (): Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: `Gentle Thumb board, version ${BOARD_VERSION}`,
  type: 'object',
  properties: {
    format: { const: BOARD_FORMAT },
    version: { const: BOARD_VERSION },
    board: jsonSchemaOfGroup(profileFields as unknown as AnyFields),
  },
  required: ['format', 'version', 'board'],
  additionalProperties: false,
});
