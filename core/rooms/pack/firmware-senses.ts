/** Senses that functions of the maker's own read: those that say yes or no, and those that are numbers. */
export interface YourSenses {
  readonly says: readonly YourSense[];
  readonly numbers: readonly YourSense[];
}
/** A sense by its number from 1, and its name as it stands in a comment. */
export interface YourSense {
  readonly number: number;
  readonly name: string;
}
/** A sense that says so by a number. */
interface NumberSense extends YourSense {
  readonly limit: { readonly over: number; readonly under: number; readonly soOver: boolean };
}

const READ_PINS = `
static int read_sense(int i)
{
    return gt_read_pin(senses[i].pin) == senses[i].level;
}
`;

const READ_EITHER = `
/* 1 or 0, or UNHEARD where what it comes from is silent: then it says neither. */
static int read_sense(int i)
{
    int says;
    if (senses[i].pin >= 0) {
        return gt_read_pin(senses[i].pin) == senses[i].level;
    }
    says = gt_read_sense(i);
    return says < 0 ? UNHEARD : says != 0;
}
`;

/** A number as C writes it. */
const literal = (x: number): string => (Number.isInteger(x) ? `${x}.0` : `${x}`);

const limitRow = ({ number, limit, name }: NumberSense): string =>
  `    { ${number}, ${literal(limit.over)}, ${literal(limit.under)}, ${limit.soOver ? 1 : 0} },   /* ${name} */`;

const readNumbers = (numbers: readonly NumberSense[], says: boolean): string => `
/* Where a number counts as over, and where as under; in between it stays what it was. */
struct number_limit {
    int sense;
    double over;
    double under;
    int so_over;   /* 1 where it says so over it, 0 where it says so under it */
};
static const struct number_limit limits[] = {
${numbers.map(limitRow).join('\n')}
};
#define NUMBERS ${numbers.length}
/* UNHEARD until the number has been over or under. */
static int is_over[NUMBERS] = { ${numbers.map(() => 'UNHEARD').join(', ')} };

static int by_number(int n)
{
    double value = gt_read_number(limits[n].sense);
    if (value != value) {
        /* Silence is no news: what was before may have passed. */
        is_over[n] = UNHEARD;
    } else if (value > limits[n].over) {
        is_over[n] = 1;
    } else if (value < limits[n].under) {
        is_over[n] = 0;
    }
    return is_over[n] == UNHEARD ? UNHEARD : is_over[n] == limits[n].so_over;
}

/* 1 or 0, or UNHEARD where what it comes from is silent: then it says neither. */
static int read_sense(int i)
{
    int n;
    if (senses[i].pin >= 0) {
        return gt_read_pin(senses[i].pin) == senses[i].level;
    }
    for (n = 0; n < NUMBERS; n++) {
        if (limits[n].sense == i) {
            return by_number(n);
        }
    }
${says ? '    n = gt_read_sense(i);\n    return n < 0 ? UNHEARD : n != 0;' : '    return UNHEARD;'}
}
`;

/** How the packed program reads its senses: all on pins, some by a function of the maker's own, some by a number. */
export const readText = (yours: YourSenses, numbers: readonly NumberSense[]): string =>
  numbers.length > 0 ? readNumbers(numbers, yours.says.length > 0) : yours.says.length > 0 ? READ_EITHER : READ_PINS;

/** At the start nothing is known of a number that has to stand for a while. */
export const numbersUnheard = (numbers: readonly YourSense[]): string =>
  numbers.length === 0 ? '' : '    for (i = 0; i < NUMBERS; i++) {\n        heard[limits[i].sense] = UNHEARD;\n    }\n';
