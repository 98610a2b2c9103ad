import { gate, type Gate } from '../gates/gate';
import { figure } from '../../lib/units/units';
import type { Answers, Work, WorkFacts } from './work';

/** Cambium is what these work on, or a crown of branches: a palm has neither, and dies of them. */
export const NOT_ON_PALMS: readonly string[] = [
  'limb-relief',
  'open-crown',
  'bridge-graft',
  'girdling',
  'water-shoots',
  'rootstock',
  'prune-diseased',
  'mistletoe-cut',
];
/** Whether a work can be done on a tree that grows as this host does. */
export const fitsForm = (work: Pick<Work, 'id'>, host: WorkFacts['host']): boolean =>
  !(host.groups.includes('palm') && NOT_ON_PALMS.includes(work.id));

/** Within so many trunk diameters the roots are that hold the tree: digging there is a qualified assessor's to judge, or forbidden. */
export const ROOT_PLATE = { stop: 3, assess: 5 } as const;

/** How near to the trunk a work digs, m; null where it does not, or where it digs by hand at the collar itself. */
const DIGS: Readonly<Record<string, (f: WorkFacts, a: Answers) => number>> = {
  trenches: (_, a) => Number(a['start']),
  drainage: (_, a) => Number(a['from']),
  'root-barrier': (_, a) => Number(a['from']),
  'bar-holes': (f) => barHolesFrom(f.diameterCm),
};
/** Air holes begin outside the roots that hold the tree, m from the middle of the trunk. */
export const barHolesFrom = (diameterCm: number): number => Math.max(1, (diameterCm / 100) * ROOT_PLATE.assess);
/** The nearest that a trench or a drain begins where nobody says otherwise, m. */
export const diggingFrom = (diameterCm: number): number =>
  Math.max(1, Math.ceil((diameterCm / 100) * ROOT_PLATE.assess * 10) / 10);

function rootPlateGate(work: Work, f: WorkFacts, a: Answers): Gate[] {
  const m = DIGS[work.id]?.(f, a);
  if (m === undefined) return [];
  const times = (m * 100) / f.diameterCm;
  if (times >= ROOT_PLATE.assess - 1e-9) return [];
  const stop = !(times >= ROOT_PLATE.stop);
  return [
    gate({
      id: stop ? 'root-plate-stop' : 'root-plate',
      strength: stop ? 'stop' : 'hold',
      title: stop ? 'Roots that hold the tree' : 'Near the roots that hold the tree',
      sentence: `This digs ${figure(m, 2)} m from the trunk, ${figure(times, 2)} times its diameter; the roots that hold it reach ${ROOT_PLATE.stop} to ${ROOT_PLATE.assess} times.`,
      source: 'practice: root plate, 3 and 5 × DBH',
      satisfy: stop
        ? `Dig no nearer than ${figure((f.diameterCm / 100) * ROOT_PLATE.stop, 2)} m.`
        : 'A qualified risk assessor has agreed to it, or dig farther out.',
    }),
  ];
}

const palmGate = (work: Work, f: WorkFacts): Gate[] =>
  fitsForm(work, f.host)
    ? []
    : [
        gate({
          id: 'not-on-palms',
          strength: 'stop',
          title: 'Not on a palm',
          sentence: `${f.host.name} grows from one bud and has no cambium: this work wounds it for good.`,
          source: 'growth form of the host',
          satisfy: 'Choose another work.',
        }),
      ];

/** A work with what its form and the roots of the tree forbid, beside its own checks. */
export const fitted = (work: Work): Work => ({
  ...work,
  workOut: (f, a) => {
    const sheet = work.workOut(f, a);
    return { ...sheet, gates: [...palmGate(work, f), ...rootPlateGate(work, f, a), ...sheet.gates] };
  },
});
