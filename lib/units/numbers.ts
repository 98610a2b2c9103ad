/** What a person typed into a number field: a number in range, or a sentence that says what is wrong. */
export type Typed = { ok: true; value: number } | { ok: false; sentence: string };

export interface NumberRule {
  /** What the field is called in a sentence, e.g. "The girth". */
  name: string;
  min?: number;
  max?: number;
  /** When zero itself is not allowed although `min` is 0. */
  above?: number;
  unit?: string;
  whole?: boolean;
}

const fits = (x: number, r: NumberRule) =>
  (r.above === undefined || x > r.above) &&
  (r.min === undefined || x >= r.min) &&
  (r.max === undefined || x <= r.max) &&
  (!r.whole || Number.isInteger(x));

/**
 * The number that is meant: “1,234” is a decimal here and a thousand there. Where only one of the two can be, it is that
 * one; where both can, nobody knows.
 * @returns null when both can be meant
 */
function grouped(text: string, rule: NumberRule): number | null {
  const decimal = Number(text.replace(',', '.'));
  if (!/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text)) return decimal;
  const thousand = Number(text.replace(',', ''));
  const [a, b] = [fits(decimal, rule), fits(thousand, rule)];
  return a && b ? null : b ? thousand : decimal;
}

/**
 * Reads a typed number. Comma and point both mark decimals; exponents and words are refused, since "3e9" in a girth
 * field is a slip, never a reading.
 * @example readNumber('145,1', { name: 'The girth', above: 0, max: 2500, unit: 'cm' }) // { ok: true, value: 145.1 }
 */
export function readNumber(text: string, rule: NumberRule): Typed {
  const trimmed = text.trim();
  const unit = rule.unit ? ` ${rule.unit}` : '';
  if (trimmed === '') return { ok: false, sentence: `${rule.name} is missing.` };
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed))
    return { ok: false, sentence: `${rule.name} must be a plain number, not “${trimmed.slice(0, 24)}”.` };
  const value = grouped(trimmed, rule);
  if (value === null)
    return {
      ok: false,
      sentence: `${rule.name}: “${trimmed}” may be ${Number(trimmed.replace(',', '.'))} or ${trimmed.replace(',', '')}${unit}. Type it without the comma.`,
    };
  if (rule.above !== undefined && value <= rule.above)
    return { ok: false, sentence: `${rule.name} must be more than ${rule.above}${unit}.` };
  if (rule.min !== undefined && value < rule.min)
    return { ok: false, sentence: `${rule.name} cannot be less than ${rule.min}${unit}.` };
  if (rule.max !== undefined && value > rule.max)
    return { ok: false, sentence: `${rule.name} cannot be more than ${rule.max}${unit}.` };
  if (rule.whole && !Number.isInteger(value)) return { ok: false, sentence: `${rule.name} must be a whole number.` };
  return { ok: true, value };
}
