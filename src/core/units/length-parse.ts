import { err, ok, type Result } from '@/core/base';
import type { LengthError, LengthErrorReason } from './length-error';
import { INCHES_PER_FOOT, MM_PER_INCH, type Millimetres, type UnitSystem } from './quantity';

export interface ParsedLength {
  readonly mm: Millimetres;
  /** Kept for the record, sums included. */
  readonly asTyped: string;
}

export interface LengthRules {
  /** What a bare number means: millimetres or inches. */
  readonly units: UnitSystem;
  /** Levels and offsets may be negative; sizes may not. */
  readonly negative?: 'allowed' | 'refused';
  /** Offsets may be zero; sizes may not. */
  readonly zero?: 'allowed' | 'refused';
  /** Of what it is a length: examples in messages are as long; of the room where it is not said. */
  readonly on?: 'room' | 'paper';
}

/** One kilometre: nothing that is drawn at a drawing-board scale is larger. */
const LARGEST_MM = 1_000_000;

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Typographic signs, thin spaces and vulgar fractions brought to one plain spelling. */
function plainSpelling(text: string): string {
  return text
    .replace(/[\s\u00a0\u2007\u2009\u200a\u202f]+/g, ' ')
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/[−–—]/g, '-')
    .replace(/''|[″”“]/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/[×*]/g, 'x')
    .replace(/\s+/g, ' ')
    .trim();
}

type Fault = { readonly reason: LengthErrorReason; readonly message: string; readonly offers?: readonly string[] };

/** How lengths are typed, of the room and on paper. */
const SHAPES: Readonly<Record<'room' | 'paper', Readonly<Record<UnitSystem, string>>>> = {
  room: {
    metric: '2400, 2.4 m, 240 cm or 600 + 3 x 450',
    imperial: `7'-10 1/2", 94 1/2", 7.875' or 24 + 3 x 18`,
  },
  paper: {
    metric: '190, 92.5, 19 cm or 20 + 3 x 15',
    imperial: `7 1/2, 7.5, 3/4" or 2 + 3 x 1/2`,
  },
};

/** A number with a decimal point or comma, or digits grouped by spaces. */
function readNumber(text: string): Result<number, Fault> {
  if (/\d ?e/i.test(text)) return err({ reason: 'exponent', message: `Write the number out in full, without “e”.` });
  if ((text.match(/,/g) ?? []).length > 1) {
    return err({
      reason: 'several-commas',
      message: `“${text}” has more than one comma. A comma stands for the decimal point: 2,4 is 2.4.`,
    });
  }
  if (/^[1-9]\d{0,2},\d{3}$/.test(text)) {
    const whole = text.replace(',', '');
    const decimal = String(Number(text.replace(',', '.')));
    return err({
      reason: 'ambiguous-comma',
      message: `“${text}” can be read two ways. Type ${whole} or ${decimal}.`,
      offers: [whole, decimal],
    });
  }
  const grouped = /^\d{1,3}( \d{3})+([.,]\d+)?$/.test(text) ? text.replace(/ /g, '') : text;
  if (!/^(\d+([.,]\d*)?|[.,]\d+)$/.test(grouped)) return err({ reason: 'not-a-length', message: '' });
  return ok(Number(grouped.replace(',', '.')));
}

/** Inches: `10`, `10.5`, `10 1/2`, `1/2`. */
function readInches(text: string): Result<number, Fault> {
  const fraction = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(text);
  if (!fraction) return readNumber(text);
  const [, whole, over, under] = fraction;
  if (Number(under) === 0)
    return err({ reason: 'zero-denominator', message: `A fraction cannot be over nought: write 1/2".` });
  if (whole !== undefined && Number(over) >= Number(under)) {
    return err({
      reason: 'improper-fraction',
      message: `After whole inches the fraction must be below one: write 94 1/2".`,
    });
  }
  return ok(Number(whole ?? 0) + Number(over) / Number(under));
}

const FEET = /^(.+?) ?(?:'|ft\.?|foot|feet)(?![a-z])(.*)$/i;
const INCHES = /^(.+?) ?(?:"|in\.?|inch|inches)$/i;
const METRIC = /^(.+?) ?(mm|cm|m)$/i;

function readFeet(feetText: string, rest: string): Result<Millimetres, Fault> {
  const feet = readNumber(feetText);
  if (!feet.ok) return feet;
  const inchText = rest.replace(/^ ?-? ?/, '').trim();
  if (inchText === '') return ok(feet.value * INCHES_PER_FOOT * MM_PER_INCH);
  if (!Number.isInteger(feet.value) || /[.,]/.test(feetText)) {
    return err({
      reason: 'fraction-of-feet-with-inches',
      message: `Feet must be whole when inches follow: write 7'-6", or 7.5' alone.`,
    });
  }
  const marked = INCHES.exec(inchText);
  const inches = readInches(marked?.[1] ?? inchText);
  if (!inches.ok) return inches;
  if (inches.value >= INCHES_PER_FOOT) {
    const total = feet.value * INCHES_PER_FOOT + inches.value;
    const offer = `${Math.floor(total / 12)}'-${Math.round((total % 12) * 1000) / 1000}"`;
    return err({
      reason: 'inches-over-eleven',
      message: `With feet, inches must be below 12: write ${offer}.`,
      offers: [offer],
    });
  }
  return ok((feet.value * INCHES_PER_FOOT + inches.value) * MM_PER_INCH);
}

/** One length without sign or sum. `bare` says whether it carried no unit. */
function readOne(text: string, units: UnitSystem): Result<{ mm: Millimetres; bare: boolean; number: number }, Fault> {
  const withUnit = (mm: Result<Millimetres, Fault>) => (mm.ok ? ok({ mm: mm.value, bare: false, number: NaN }) : mm);
  const feet = FEET.exec(text);
  if (feet) return withUnit(readFeet(feet[1] ?? '', feet[2] ?? ''));
  const inches = INCHES.exec(text);
  if (inches) {
    const read = readInches(inches[1] ?? '');
    return withUnit(read.ok ? ok(read.value * MM_PER_INCH) : read);
  }
  const metric = METRIC.exec(text);
  if (metric) {
    const read = readNumber(metric[1] ?? '');
    const factor = { mm: 1, cm: 10, m: 1000 }[(metric[2] ?? 'mm').toLowerCase() as 'mm' | 'cm' | 'm'];
    return withUnit(read.ok ? ok(read.value * factor) : read);
  }
  if (units === 'metric' && /\//.test(text)) {
    if (/\/ ?0+$/.test(text)) return readInches(text) as Result<never, Fault>;
    return err({
      reason: 'fraction-without-inch-mark',
      message: `A fraction needs its inch mark here: write ${text}".`,
      offers: [`${text}"`],
    });
  }
  const bare = units === 'imperial' ? readInches(text) : readNumber(text);
  if (!bare.ok) return bare;
  return ok({ mm: bare.value * (units === 'imperial' ? MM_PER_INCH : 1), bare: true, number: bare.value });
}

/** `3 x 450`: one side is a plain count, the other a length. */
function readProduct(text: string, units: UnitSystem): Result<Millimetres, Fault> {
  const factors = text.split(/ ?x ?/);
  if (factors.length === 1) {
    const one = readOne(text, units);
    return one.ok ? ok(one.value.mm) : one;
  }
  if (factors.length > 2 || factors.some((factor) => factor === ''))
    return err({ reason: 'not-a-length', message: '' });
  const left = readOne(factors[0] ?? '', units);
  if (!left.ok) return left;
  const right = readOne(factors[1] ?? '', units);
  if (!right.ok) return right;
  if (left.value.bare) return ok(left.value.number * right.value.mm);
  if (right.value.bare) return ok(left.value.mm * right.value.number);
  return err({
    reason: 'unit-missing-in-product',
    message: 'A length times a length is an area. Write a count first: 3 x 450.',
  });
}

/** Cuts `600 + 3 x 450 - 20` into signed terms. Minus needs spaces around it, for a hyphen also joins feet to inches. */
function signedTerms(text: string): readonly { readonly sign: 1 | -1; readonly text: string }[] {
  const leading = /^- ?/.exec(text);
  const body = leading ? text.slice(leading[0].length) : text;
  const parts = body.split(/ ?(\+) ?| (-) /).filter((part) => part !== undefined);
  const terms: { sign: 1 | -1; text: string }[] = [{ sign: leading ? -1 : 1, text: parts[0] ?? '' }];
  for (let i = 1; i + 1 < parts.length; i += 2)
    terms.push({ sign: parts[i] === '-' ? -1 : 1, text: parts[i + 1] ?? '' });
  return terms;
}

/**
 * Reads a length as people type it; see docs/format.md for the accepted forms.
 * @returns millimetres and the text as typed, or a reason with a message that shows the right form.
 */
export function parseLength(text: string, rules: LengthRules): Result<ParsedLength, LengthError> {
  const refuse = (fault: Fault): Result<never, LengthError> =>
    err({
      reason: fault.reason,
      text,
      message:
        fault.message || `“${text.trim()}” is not a length. Type it like ${SHAPES[rules.on ?? 'room'][rules.units]}.`,
      offers: fault.offers ?? [],
    });
  const plain = plainSpelling(text);
  if (plain === '')
    return refuse({ reason: 'empty', message: `Type a length, such as ${SHAPES[rules.on ?? 'room'][rules.units]}.` });
  if (/\d ?e ?[+-]?\d/i.test(plain))
    return refuse({ reason: 'exponent', message: 'Write the number out in full, without “e”.' });
  let mm = 0;
  for (const term of signedTerms(plain)) {
    const read = readProduct(term.text, rules.units);
    if (!read.ok) return refuse(read.error);
    mm += term.sign * read.value;
  }
  if (!Number.isFinite(mm) || Math.abs(mm) > LARGEST_MM) {
    return refuse({
      reason: 'out-of-range',
      message: `“${text.trim()}” is beyond one kilometre. Check the unit: 2400 mm is 2.4 m.`,
    });
  }
  if ((mm < 0 && rules.negative !== 'allowed') || (mm === 0 && rules.zero !== 'allowed')) {
    return refuse({
      reason: 'not-positive',
      message:
        mm < 0
          ? `This must not be negative. Type it like ${SHAPES[rules.on ?? 'room'][rules.units]}.`
          : `This must be more than nought. Type it like ${SHAPES[rules.on ?? 'room'][rules.units]}.`,
    });
  }
  return ok({ mm: mm === 0 ? 0 : mm, asTyped: text.trim() });
}
