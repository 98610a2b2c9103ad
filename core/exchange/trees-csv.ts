import type { Issue } from '../../lib/result';
import { atOnce, type Slices } from '../../lib/slices';
import type { StemReading } from '../measure/trunk';
import { diameterFromGirth } from '../measure/trunk';
import { doubts } from '../measure/plausible';
import { readNumber } from '../../lib/units/numbers';
import { LENGTH, type Cm, type LengthUnit } from '../../lib/units/units';
import { dayIn } from '../../lib/calendar/zone';
import type { SpeciesIndex } from './species';
import type { Row, RowIssue } from './table';

/** What a column of a tree list can hold. */
export const COLUMNS = [
  'tag',
  'host',
  'girth',
  'diameter',
  'height',
  'measured',
  'lat',
  'lon',
  'order',
  'note',
  'section',
] as const;
export type Column = (typeof COLUMNS)[number];
export const COLUMN_NAMES: Record<Column, string> = {
  tag: 'Tag',
  host: 'Host',
  girth: 'Girth',
  diameter: 'Diameter',
  height: 'Tree height',
  measured: 'Day it was measured',
  lat: 'Latitude or northing',
  lon: 'Longitude or easting',
  order: 'Walking order',
  note: 'Note',
  section: 'Section',
};

/** Which header each column is read from; null leaves the column out. */
export type Mapping = Record<Column, string | null>;
export interface Units {
  trunk: Extract<LengthUnit, 'mm' | 'cm' | 'in'>;
  height: 'm' | 'ft';
}

/** What columns are called in lists of English, German, French and Spanish offices. */
const HINTS: Record<Column, RegExp> = {
  tag: /^(tag|tree ?(no|nr|number|id)|no|nr|n°|nº|number|id|label|baum ?(nr|nummer|id)|nummer|num(é|e)ro|n(ú|u)mero|etiqueta|(é|e)tiquette|plakette)(?![a-zà-ü])/i,
  host: /(species|host|latin|botanical|taxon|genus|baumart|^art(?![a-z])|gattung|botanisch|esp(è|e)ce|essence|especie)/i,
  girth: /(girth|circumference|gbh|cbh|umfang|circonf(é|e)rence|circunferencia|per(í|i)metro)/i,
  diameter: /(diameter|dbh|calip|durchmesser|(^|[^a-z])bhd|diam(è|e)tre|di(á|a)metro)/i,
  height: /(height|hgt|h(ö|oe|o)he|hauteur|altura)/i,
  measured:
    /(survey|measured|inspect|recorded|^date(?![a-z])|(^| )date$|datum|aufnahme|mesur(é|e) le|relev(é|e)|fecha|medido)/i,
  lat: /^(lat|latitude|y|northing|breite|breitengrad|hochwert|latitud)(?![a-z])/i,
  lon: /^(lon|long|lng|longitude|x|easting|l(ä|ae|a)nge|l(ä|ae|a)ngengrad|rechtswert|longitud)(?![a-z])/i,
  order: /(order|sequence|walk|reihenfolge|ordre|orden)/i,
  section:
    /(section|zone|terrace|block|(^|[^a-z])row$|abschnitt|bereich|reihe$|secteur|rang(é|e)e|secci(ó|o)n|hilera)/i,
  note: /(note|remark|comment|bemerkung|anmerkung|remarque|commentaire|observaci|nota)/i,
};

/** A header as words: trunk_in and Trunk-in are “trunk in”. */
const inWords = (header: string) => header.trim().replace(/[_-]+/g, ' ');

/** How many of these cells look like the name of a column: what tells the line of names from titles above it. */
export const namesIn = (cells: readonly string[]): number =>
  cells.filter((c) => c.length < 40 && COLUMNS.some((k) => HINTS[k].test(inWords(c)))).length;

/** Guesses columns and units from the headers; every header is used once. */
export function guessMapping(headers: string[]): { mapping: Mapping; units: Units } {
  const used = new Set<string>();
  const mapping = Object.fromEntries(
    COLUMNS.map((c) => {
      const found = headers.find(
        (h) => !used.has(h) && HINTS[c].test(inWords(h)) && !(c === 'height' && /measure|dbh|breast|brusth/i.test(h)),
      );
      if (found) used.add(found);
      return [c, found ?? null];
    }),
  ) as Mapping;
  return { mapping, units: unitsIn(mapping, { trunk: 'cm', height: 'm' }) };
}

/** The unit that the header of a trunk or a height names; null where it names none. */
const trunkUnit = (header: string | null): Units['trunk'] | null => {
  const words = inWords(header ?? '');
  if (/\b(in|inch|inches|zoll|pouces?|pulgadas?)\b|"|″/i.test(words)) return 'in';
  return /\bmm\b/i.test(words) ? 'mm' : /\bcm\b/i.test(words) ? 'cm' : null;
};
const heightUnit = (header: string | null): Units['height'] | null => {
  const words = inWords(header ?? '');
  if (/\b(ft|feet|foot|fu(ß|ss)|pieds?|pies)\b|'$|′/i.test(words)) return 'ft';
  return /\b(m|metres?|meters?|m(è|e)tres?|metros?)\b/i.test(words) ? 'm' : null;
};

/**
 * Units as the headers of the chosen columns name them, whoever chose them; where they name none, as before.
 * @example unitsIn({ …, diameter: 'Trunk (in)' }, { trunk: 'cm', height: 'm' }) // { trunk: 'in', height: 'm' }
 */
export const unitsIn = (mapping: Pick<Mapping, 'girth' | 'diameter' | 'height'>, before: Units): Units => ({
  trunk: trunkUnit(mapping.girth) ?? trunkUnit(mapping.diameter) ?? before.trunk,
  height: heightUnit(mapping.height) ?? before.height,
});

/** Columns whose header names another unit than the one that the list is read in: 11 inches are no 11 centimetres. */
export function unitIssues(mapping: Mapping, units: Units): Issue[] {
  const told = (path: string, header: string | null, says: string | null, read: string) =>
    says !== null && says !== read
      ? [
          {
            path,
            message: `The column “${header}” names ${says}, and the list is read in ${read}. Choose ${says}, or rename the column.`,
          },
        ]
      : [];
  return [
    ...told('units.trunk', mapping.girth, trunkUnit(mapping.girth), units.trunk),
    ...told('units.trunk', mapping.diameter, trunkUnit(mapping.diameter), units.trunk),
    ...told('units.height', mapping.height, heightUnit(mapping.height), units.height),
  ];
}

export interface TreeRow {
  tag: string;
  hostId: string;
  /** The species as it was written, where that is more than the name of the host. */
  species: string;
  stems: StemReading[] | null;
  diameterCm: Cm | null;
  heightM: number | null;
  /** The day on which the trunk was measured; null where no trunk is given. */
  measuredOn: string | null;
  lat: number | null;
  lon: number | null;
  walkOrder: number | null;
  note: string;
  /** The part of the place it stands in; empty for none. */
  section: string;
}
/** A species that no host is called by, once however many rows have it; it stays when somebody has said what it is. */
export interface AskedSpecies {
  written: string;
  rows: number;
  /** Hosts that may be meant, the likeliest first. */
  mayBe: string[];
}

export interface ImportContext {
  mapping: Mapping;
  units: Units;
  hosts: ReadonlyMap<string, { name: string; latin: string; growthCmPerYear: number; largestCm: number }>;
  species: SpeciesIndex;
  /** What somebody said that a species is, by the species as it is written. */
  chosen: Readonly<Record<string, string>>;
  /** Turns easting and northing into degrees; null where positions are degrees. */
  toDegrees: ((east: number, north: number) => { lat: number; lon: number } | null) | null;
  /** The day on which trunks without a day of their own were measured; null while nobody has said. */
  measuredOn: string | null;
  /** The last day on which anything can have been measured. */
  today: string;
  /** Tags already hanging at this place. */
  taken: ReadonlySet<string>;
}

/** What stands in a list that can be read: its trees, what is wrong in which line, what to look at, what it knows no host for. */
export interface ReadTrees {
  trees: TreeRow[];
  issues: RowIssue[];
  warnings: RowIssue[];
  asked: AskedSpecies[];
}

/** A day as lists write it, or a sentence; 03/04/2025 may be two days and is asked. */
function readDay(text: string, today: string): { day: string } | { sentence: string } {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(text);
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
  const slashed = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(text);
  let parts: [string, string, string] | null = null;
  if (iso) parts = [iso[1]!, iso[2]!, iso[3]!];
  else if (dotted) parts = [dotted[3]!, dotted[2]!, dotted[1]!];
  else if (slashed) {
    const [, a, b, year] = slashed as unknown as [string, string, string, string];
    if (Number(a) <= 12 && Number(b) <= 12 && a !== b)
      return {
        sentence: `“${text}” may be two different days. Write it as ${year}-${b.padStart(2, '0')}-${a.padStart(2, '0')} or ${year}-${a.padStart(2, '0')}-${b.padStart(2, '0')}.`,
      };
    parts = Number(a) > 12 ? [year, b, a] : [year, a, b];
  }
  const day = parts && `${parts[0]}-${parts[1].padStart(2, '0')}-${parts[2].padStart(2, '0')}`;
  const at = day ? new Date(`${day}T00:00:00Z`) : null;
  if (!day || !at || Number.isNaN(at.getTime()) || dayIn(at, 'UTC') !== day)
    return { sentence: `“${text.slice(0, 24)}” is not a day. Write it like 2025-05-14.` };
  if (day > today) return { sentence: `${day} has not come yet.` };
  if (day < '1900-01-01') return { sentence: `${day} is too long ago to be meant.` };
  return { day };
}

/**
 * Reads the rows of a tree list.
 * @returns every row that can be read, one sentence for each fault, and each species that no host is called by; nothing
 *   should be written while there are issues
 */
export const readTrees = (rows: readonly Row[], c: ImportContext): ReadTrees => atOnce(treeSlices(rows, c));

/** The same, in slices. */
export function* treeSlices(rows: readonly Row[], c: ImportContext): Slices<ReadTrees> {
  const out: ReadTrees = { trees: [], issues: [], warnings: [], asked: [] };
  const missing = (['tag', 'host'] as const).filter((k) => !c.mapping[k]);
  for (const k of missing)
    out.issues.push({ line: 1, column: null, message: `Choose the column that holds the ${k}.` });
  if (missing.length) return out;
  const species = new Map<string, { hostId: string } | { mayBe: string[] }>();
  const asked = new Map<string, AskedSpecies>();
  /** The host that a species is, as it reads or as somebody said; null while it is asked. */
  const hostOf = (written: string): string | null => {
    if (!species.has(written)) species.set(written, c.species.read(written));
    const read = species.get(written)!;
    if ('hostId' in read) return read.hostId;
    asked.set(written, { written, mayBe: read.mayBe, rows: (asked.get(written)?.rows ?? 0) + 1 });
    const said = c.chosen[written];
    return said !== undefined && c.hosts.has(said) ? said : null;
  };
  const seen = new Map<string, number>();
  for (const row of rows) {
    yield;
    const reader = new RowReader(row, c, out.issues);
    const tag = reader.cell('tag');
    if (!tag) reader.issue('tag', 'The tag is missing.');
    else if (tag.length > 24) reader.issue('tag', 'A tag has at most 24 characters.');
    else if (c.taken.has(tag)) reader.issue('tag', `Tag ${tag} hangs at this place already.`);
    else if (seen.has(tag)) reader.issue('tag', `Tag ${tag} stands in line ${seen.get(tag)} already.`);
    else seen.set(tag, row.line);
    const written = reader.cell('host');
    const hostId = written ? hostOf(written) : null;
    if (!written) reader.issue('host', 'The host is missing.');
    else if (!hostId) reader.issue('host', `No host is called “${written.slice(0, 40)}”: say what it is.`, true);
    const order = reader.number('order', { name: 'The walking order', min: 0, max: 1_000_000, whole: true });
    const note = reader.cell('note');
    if (note.length > 2000) reader.issue('note', 'A note has at most 2000 characters.');
    const section = reader.cell('section');
    if (section.length > 60) reader.issue('section', 'A section has at most 60 characters.');
    const position = reader.position();
    const trunk = reader.trunk();
    if (reader.issueCount || !hostId) continue;
    const known = c.hosts.get(hostId)!;
    if (trunk.diameterCm !== null)
      for (const d of doubts({
        diameterCm: trunk.diameterCm,
        ...(trunk.heightM ? { heightM: trunk.heightM } : {}),
        growthCmPerYear: known.growthCmPerYear,
        largestCm: known.largestCm,
      }))
        out.warnings.push({
          line: row.line,
          column: c.mapping.girth ?? c.mapping.diameter,
          message: d.sentence,
        });
    out.trees.push({
      tag,
      hostId,
      species: [known.name, known.latin].some((n) => n.toLowerCase() === written.toLowerCase())
        ? ''
        : written.slice(0, 120),
      ...trunk,
      ...position,
      walkOrder: order,
      note,
      section,
    });
  }
  out.asked = [...asked.values()].sort((a, b) => b.rows - a.rows);
  return out;
}

/** One row, cell by cell; what cannot be read becomes a fault with its place. */
class RowReader {
  issueCount = 0;
  constructor(
    private readonly row: Row,
    private readonly c: ImportContext,
    private readonly issues: RowIssue[],
  ) {}

  cell(k: Column): string {
    const header = this.c.mapping[k];
    return header ? (this.row.cells[header] ?? '') : '';
  }

  issue(k: Column, sentence: string, asked = false): null {
    this.issueCount++;
    this.issues.push({
      line: this.row.line,
      column: this.c.mapping[k],
      message: sentence,
      ...(asked ? { asked: true as const } : {}),
    });
    return null;
  }

  number(k: Column, rule: Parameters<typeof readNumber>[1]): number | null {
    if (this.cell(k) === '') return null;
    const read = readNumber(this.cell(k), rule);
    return read.ok ? read.value : this.issue(k, read.sentence);
  }

  position(): { lat: number | null; lon: number | null } {
    const { toDegrees } = this.c;
    const before = this.issueCount;
    const far = { min: -20_000_000, max: 20_000_000, unit: 'm' };
    const north = this.number(
      'lat',
      toDegrees ? { name: 'The northing', ...far } : { name: 'The latitude', min: -90, max: 90 },
    );
    const east = this.number(
      'lon',
      toDegrees ? { name: 'The easting', ...far } : { name: 'The longitude', min: -180, max: 180 },
    );
    if (this.issueCount === before && (north === null) !== (east === null))
      this.issue(north === null ? 'lat' : 'lon', 'A position needs both numbers.');
    if (!toDegrees || north === null || east === null) return { lat: north, lon: east };
    return (
      toDegrees(east, north) ?? {
        lat: this.issue('lat', 'These numbers lie outside the world of this system.'),
        lon: null,
      }
    );
  }

  trunk(): Pick<TreeRow, 'stems' | 'diameterCm' | 'heightM' | 'measuredOn'> {
    const { units } = this.c;
    const before = this.issueCount;
    const most = (cm: number) => Math.round(cm / LENGTH[units.trunk]);
    const girth = this.number('girth', { name: 'The girth', above: 0, max: most(3000), unit: units.trunk });
    const diameter = this.number('diameter', { name: 'The diameter', above: 0, max: most(1000), unit: units.trunk });
    const height = this.number('height', {
      name: 'The height',
      above: 0,
      max: units.height === 'm' ? 130 : 426,
      unit: units.height,
    });
    const day = this.cell('measured') ? readDay(this.cell('measured'), this.c.today) : null;
    if (day && 'sentence' in day) this.issue('measured', day.sentence);
    const byGirth = girth === null ? null : diameterFromGirth(girth * LENGTH[units.trunk]);
    const across = diameter === null ? null : diameter * LENGTH[units.trunk];
    if (
      this.issueCount === before &&
      byGirth !== null &&
      across !== null &&
      Math.abs(byGirth - across) > Math.max(1, across * 0.03)
    )
      this.issue(
        'girth',
        `Girth and diameter do not fit each other: ${this.cell('girth')} ${units.trunk} round is ${(byGirth / LENGTH[units.trunk]).toFixed(1)} ${units.trunk} across.`,
      );
    const measuredOn = day && 'day' in day ? day.day : this.c.measuredOn;
    const diameterCm = byGirth ?? across;
    if (this.issueCount === before && diameterCm !== null && measuredOn === null)
      this.issue('measured', 'Say on which day the trunks of this list were measured.');
    const typed = girth ?? diameter;
    return {
      stems:
        typed === null
          ? null
          : [{ kind: girth !== null ? 'girth' : 'diameter', typed: { value: typed, unit: units.trunk } }],
      diameterCm,
      heightM: height === null ? null : (height * LENGTH[units.height]) / 100,
      measuredOn: diameterCm === null ? null : measuredOn,
    };
  }
}
