import { elmFacts as elm } from './testing';
import { usualAnswers, type Answers, type Work } from './work';
import { WORKS } from './works';

/** Minutes and figures of a work: by its usual answers, and where every number is half as much again and every yes a no. */
const WORKED: [id: string, usual: [minutes: number, figures: string], more: [minutes: number, figures: string]][] = [
  ['band', [10, '150.1 cm'], [20, '152.6 cm']],
  ['guard', [15, '48.0 cm; 183.1 cm; 6.4 mm'], [15, '188.0 cm; 202.0 cm; 13 mm']],
  ['deer-fence', [66, '16 m; 6'], [66, '24 m; 6']],
  ['hanging', [3, '1; 100.0 cm'], [6, '2; 150.0 cm']],
  ['wash', [34, '7.8 L'], [46, '12 L']],
  ['disinfect', [7, '729 mL; 271 mL'], [9, '1.06 L; 439 mL']],
  ['collar', [48, '15.0 cm; 0.15 m³'], [98, '22.5 cm; 0.433 m³']],
  ['girdling', [25, 'now'], [25, 'in stages']],
  ['trenches', [254, '6; 3.1 m; 1.12 m³'], [533, '9; 4.65 m; 5.65 m³']],
  ['mulch', [111, '2.23 m³; 45'], [295, '6.33 m³; 85']],
  ['leach', [75, '1800 L; 150 mm; 6'], [105, '4050 L; 225 mm; 9']],
  ['water', [15, '1160 L; 46.1 mm; 23 days'], [15, '3900 L; 104 mm; 34 days']],
  ['replant', [90, '125.0 cm; 40.0 cm; 79 L'], [90, '187.5 cm; 60.0 cm; 270 L']],
  ['prune-diseased', [28, '300.0 cm; 3'], [40, '450.0 cm; 5']],
  ['rootstock', [15, '10'], [20, '15']],
  ['water-shoots', [25, '18; 12'], [32.5, '18; 27']],
  ['open-crown', [81, '12 %; 4.0 cm'], [99, '18 %; 6.0 cm']],
  ['water-jet', [31, '192 L; 2'], [39, '432 L; 3']],
  ['release', [20, '650; 3'], [20, '975; 3']],
  ['bagging', [31.67, '84'], [45, '126']],
  ['sanitation', [47, '290 L; 4'], [92, '980 L; 13']],
  ['limb-relief', [102, '150.0 cm; 6'], [138, '225.0 cm; 9']],
  ['removal', [130.41, '1.17 m³'], [165.61, '1.76 m³']],
  ['drainage', [236, '1.2 m³; 12 cm'], [344, '4.05 m³; 27 cm']],
  ['root-barrier', [102, '12 m; 120 cm'], [138, '18 m; 180 cm']],
  ['nest-removal', [68, '6'], [92, '9']],
  ['rain-cover', [200, '20 m²'], [348, '39 m²']],
  ['whitening', [49.19, '1.6 L; 180.0 cm'], [68.78, '3.5 L; 270.0 cm']],
  ['beaver-mesh', [25, '120.0 cm; 259.4 cm'], [25, '130.0 cm; 306.5 cm']],
  ['livestock-fence', [124, '13.8 m; 7'], [124, '19.8 m; 7']],
  ['mistletoe-cut', [55, '8'], [75, '12']],
  ['ivy-window', [47, '30 cm'], [63, '45 cm']],
  ['compost', [84.88, '0.749 m³'], [179.13, '2.54 m³']],
  ['bug-vacuum', [30, '20'], [40, '30']],
  ['bar-holes', [203, '94; 40 cm'], [253, '119; 60 cm']],
  ['bridge-graft', [246, '18; 26.4 cm'], [354, '27; 33.0 cm']],
  ['shade-cloth', [34, '40 m²; 3'], [34, '53 m²; 3']],
  ['tie-release', [15, '1; 162.7 cm'], [15, '2']],
  ['wood-cover', [75, '10 m²; 1.5 m³'], [97.5, '12 m²; 1.95 m³']],
  ['protection-fence', [108, '11; 38 m'], [108, '11; 55 m']],
];

/** Every number half as large again, within what may be answered; whole ones rounded. */
const halfAgain = (work: Work, usual: Answers): Answers =>
  Object.fromEntries(
    work.asks.map((ask) => {
      const answer = usual[ask.key]!;
      if (ask.kind === 'yes') return [ask.key, !answer];
      if (ask.kind !== 'number') return [ask.key, answer];
      const more = Number(answer) * 1.5;
      return [ask.key, Math.min(ask.max, ask.whole ? Math.round(more) : more)];
    }),
  );
const told = (work: Work, answers: Answers) => {
  const { minutes, figures } = work.workOut(elm, answers);
  return [Math.round(minutes * 100) / 100, figures.map((x) => `${x.value} ${x.unit}`.trim()).join('; ')];
};

it('every work has its worked amounts here', () => expect(WORKED.map(([id]) => id)).toEqual(WORKS.map((w) => w.id)));

it.each(WORKED)(
  '%s on one elm comes to its time and amounts, and grows with its answers as it should',
  (id, usual, more) => {
    const work = WORKS.find((w) => w.id === id)!;
    const answers = usualAnswers(work, elm);
    expect(told(work, answers)).toEqual(usual);
    expect(told(work, halfAgain(work, answers))).toEqual(more);
  },
);
