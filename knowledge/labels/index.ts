import { z } from 'zod';
import { labelSchema, type Label } from '@/core/label/schema';
import l1 from './training-01-drench.json';
import l2 from './training-02-elm-infusion.json';
import l3 from './training-03-borer-injection.json';
import l4 from './training-04-bark-class.json';
import l5 from './training-05-phosphonate.json';
import l6 from './training-06-iron.json';
import l7 from './training-07-scab-cover.json';
import l8 from './training-08-soap.json';
import l9 from './training-09-capsule.json';
import l10 from './training-10-neem-bottle.json';
import l11 from './training-11-triazole-bottle.json';
import l12 from './training-12-tee-infusion.json';
import l13 from './training-13-probe.json';
import l14 from './training-14-feed-slow.json';
import l15 from './training-15-iron-soil.json';
import l16 from './training-16-bark-pyrethroid.json';
import l17 from './training-17-phosphonate-bark.json';
import l18 from './training-18-bacillus.json';
import l19 from './training-19-spinosyn.json';
import l20 from './training-20-sulphur.json';
import l21 from './training-21-triazole-leaf.json';
import l22 from './training-22-dormant-oil.json';
import l23 from './training-23-copper.json';
import l24 from './training-24-bloom-bactericide.json';
import l25 from './training-25-clay.json';
import l26 from './training-26-dust.json';
import l27 from './training-27-slug-bait.json';
import l28 from './training-28-vole-bait.json';
import l29 from './training-29-repellent.json';
import l30 from './training-30-nematodes.json';
import l31 from './training-31-summer-oil.json';
import l32 from './training-32-wide-oil.json';
import l33 from './training-33-wide-soap.json';
import l34 from './training-34-fast-systemic.json';
import l35 from './training-35-wide-copper.json';
import l36 from './training-36-ornamental-cover.json';
import l37 from './training-37-orchard-cover.json';
import l38 from './training-38-fruit-clay.json';
import l39 from './training-39-fly-bait.json';
import l40 from './training-40-wide-phosphonate.json';
import l41 from './training-41-palm-injection.json';
import l42 from './training-42-wilt-infusion.json';
import l43 from './training-43-scorch-antibiotic.json';
import l44 from './training-44-wide-spinosad.json';
import l45 from './training-45-wide-bacillus.json';
import l46 from './training-46-micronutrients.json';

/** Fictional training labels; the real ones are entered by the company from the label in hand. */
export const trainingLabels: readonly Label[] = z
  .array(labelSchema)
  .parse([
    l1,
    l2,
    l3,
    l4,
    l5,
    l6,
    l7,
    l8,
    l9,
    l10,
    l11,
    l12,
    l13,
    l14,
    l15,
    l16,
    l17,
    l18,
    l19,
    l20,
    l21,
    l22,
    l23,
    l24,
    l25,
    l26,
    l27,
    l28,
    l29,
    l30,
    l31,
    l32,
    l33,
    l34,
    l35,
    l36,
    l37,
    l38,
    l39,
    l40,
    l41,
    l42,
    l43,
    l44,
    l45,
    l46,
  ]);
