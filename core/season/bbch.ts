/**
 * Growth stages of woody plants by the two digits of the BBCH scale (Hack and others, 1992; Meier, 2018), with the plain
 * names people say. Leaves and flowers run beside each other: a pear flowers before its leaves are out.
 */
export const STAGE_NAMES = {
  1: 'bud swell',
  7: 'green tip',
  9: 'bud break',
  10: 'mouse ear',
  11: 'leaves unfolding',
  19: 'full leaf',
  31: 'shoots growing',
  39: 'shoots full length',
  57: 'pink bud',
  60: 'first bloom',
  65: 'full bloom',
  69: 'petal fall',
  71: 'fruit set',
  81: 'ripening',
  92: 'colouring',
  93: 'leaf fall begins',
  95: 'half the leaves down',
  97: 'bare',
} as const;
export type Bbch = keyof typeof STAGE_NAMES;
export const STAGES = Object.keys(STAGE_NAMES).map(Number) as Bbch[];
export const isStage = (code: number): code is Bbch => code in STAGE_NAMES;

/** As it is told: two digits and the plain name. @example stageWords(7) // 'green tip (BBCH 07)' */
export const stageWords = (code: Bbch): string => `${STAGE_NAMES[code]} (BBCH ${String(code).padStart(2, '0')})`;

/** Which of the plant it is about: leaves and shoots, or flowers and fruit. */
export const trackOf = (code: Bbch): 'leaf' | 'flower' => (code >= 50 && code < 90 ? 'flower' : 'leaf');
/** What day length and cold bring on, not heat. */
export const isAutumn = (code: Bbch): boolean => code >= 90;
