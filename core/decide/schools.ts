/** The schools a company has chosen, where practitioners disagree. */
export interface Schools {
  /** Crown loss beyond which borers are not treated: as the knowledge says, 30 or 50 %. */
  crownLoss: 'knowledge' | 30 | 50;
  programme: 'conventional' | 'organic' | 'threshold';
  /** How several stems count where a label leaves it open; `ask` at every plan. */
  stems: 'ask' | 'sum' | 'basal-area' | 'each';
  /** What is looked at first against insects inside a tree. */
  route: 'soil first' | 'injection first' | 'spray or physical first';
  frequency: 'yearly, small' | 'every 2–3 years';
  rootZone: '12' | '18';
  woundDressing: 'none' | 'wilt region' | 'always on oak';
  sticky: 'on a wrap' | 'never';
  mesh: 'metal' | 'plastic';
}
export const USUAL_SCHOOLS: Schools = {
  crownLoss: 'knowledge',
  programme: 'conventional',
  stems: 'ask',
  route: 'injection first',
  frequency: 'every 2–3 years',
  rootZone: '12',
  woundDressing: 'wilt region',
  sticky: 'on a wrap',
  mesh: 'metal',
};
