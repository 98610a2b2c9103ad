import {
  conditionIn,
  signAsObservable,
  testAsObservable,
  type Model,
  type ModelCondition,
  type Observable,
} from './model';
import type { Sign } from './knowledge';

/**
 * A model on its way to a browser: what can be worked out again is left behind, and a sign is named by its place in the list
 * that travels beside it.
 */
export interface WireModel {
  conditions: [id: string, name: string, kind: ModelCondition['kind'], odds: number][];
  chains: Model['chains'];
  /** Rows from the second profile on: the first has nothing to do with anything. */
  signs: [sign: number, profile: string, rows: (number | null)[], idle: number, flags: number][];
  tests: (Pick<Observable, 'id' | 'words' | 'minutes' | 'idle' | 'rows'> & {
    outcomes: [id: string, words: string][];
    profile: string;
    wounds?: 1 | 2;
    laboratory?: true;
    presumes?: readonly SignRef[];
    said?: readonly SignRef[];
  })[];
}
/** A sign by its place in the list, or by its id where the list has it not. */
type SignRef = number | string;

/** What a sign must bring along. */
export type WireSign = Pick<Sign, 'id' | 'place' | 'words'> & Partial<Pick<Sign, 'dig'>>;

const FLAGS = { echoes: 1, telling: 2, lasts: 4 } as const;
/** One sign for each candidate; 36 profiles are three times what any observable has. */
const MOST = 36;
/** Most candidates have nothing to do with an observable: so many zeros in a row are one capital, A for one and Z for 26. */
const ZEROS = /0{1,26}/g;
const written = (o: Observable): string => {
  if (o.profiles > MOST) throw new Error(`${o.id} has ${o.profiles} profiles, more than a letter can tell`);
  return o.profile
    .map((p) => p.toString(MOST))
    .join('')
    .replace(ZEROS, (run) => String.fromCharCode(64 + run.length));
};
const read = (profile: string): number[] =>
  [...profile.replace(/[A-Z]/g, (run) => '0'.repeat(run.charCodeAt(0) - 64))].map((p) => Number.parseInt(p, MOST));

export function toWire(model: Model, signs: readonly WireSign[]): WireModel {
  const at = new Map(signs.map((s, i) => [s.id, i]));
  const refs = (ids: readonly string[]): SignRef[] => ids.map((id) => at.get(id) ?? id);
  const tests: WireModel['tests'] = [];
  const seen: WireModel['signs'] = [];
  for (const o of model.observables) {
    if (o.kind === 'test') {
      tests.push({
        id: o.id,
        words: o.words,
        outcomes: o.outcomes.map((x) => [x.id, x.words]),
        minutes: o.minutes,
        idle: o.idle,
        rows: o.rows.slice(1),
        profile: written(o),
        ...(o.wounds ? { wounds: o.wounds } : {}),
        ...(o.laboratory ? { laboratory: true } : {}),
        ...(o.presumes.length ? { presumes: refs(o.presumes) } : {}),
        ...(o.said.length ? { said: refs(o.said) } : {}),
      });
      continue;
    }
    const sign = at.get(o.id);
    if (sign === undefined) throw new Error(`the sign ${o.id} is not in the list beside the model`);
    const flags = (o.weight < 1 ? FLAGS.echoes : 0) + (o.telling ? FLAGS.telling : 0) + (o.lasts ? FLAGS.lasts : 0);
    seen.push([sign, written(o), o.rows.slice(1).map((r) => r[0]!), o.idle[0]!, flags]);
  }
  return {
    conditions: model.conditions.map((c) => [c.id, c.name, c.kind, c.odds]),
    chains: model.chains,
    signs: seen,
    tests,
  };
}

/** The model that was sent, to the last figure. */
export function fromWire(wire: WireModel, signs: readonly WireSign[]): Model {
  const observables = wire.signs.map(([i, profile, rows, idle, flags]): Observable => {
    const { id, place, words, dig = false } = signs[i]!;
    const has = (flag: number) => (flags & flag) !== 0;
    return signAsObservable(
      { id, place, words, dig, lasts: has(FLAGS.lasts), echoes: has(FLAGS.echoes), telling: has(FLAGS.telling) },
      [idle],
      { rows: [[null], ...rows.map((r) => [r])], profile: read(profile) },
    );
  });
  const ids = (refs: readonly SignRef[] = []) => refs.map((r) => (typeof r === 'number' ? signs[r]!.id : r));
  const tests = wire.tests.map((t) =>
    testAsObservable(
      {
        id: t.id,
        words: t.words,
        outcomes: t.outcomes.map(([id, words]) => ({ id, words })),
        minutes: t.minutes,
        wounds: t.wounds ?? 0,
        laboratory: t.laboratory ?? false,
        presumes: ids(t.presumes),
        said: ids(t.said),
      },
      t.idle,
      { rows: [t.outcomes.map(() => null), ...t.rows], profile: read(t.profile) },
    ),
  );
  return {
    conditions: wire.conditions.map(([id, name, kind, odds]) => conditionIn({ id, name, kind }, odds)),
    observables: [...observables, ...tests],
    chains: wire.chains,
  };
}
