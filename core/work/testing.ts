import { findCondition, findHost } from '@/knowledge';
import type { WorkFacts } from './work';

/** For tests: what a work rests on for an elm of 46 cm with elm disease in June. */
export const elmFacts: WorkFacts = {
  on: '2026-06-01',
  south: false,
  customWorks: [],
  system: 'metric',
  tag: '12',
  host: findHost('wych-elm')!,
  diameterCm: 46.2,
  heightM: 14,
  crownWidthM: 8,
  texture: 'loam',
  condition: findCondition('dutch-elm-disease'),
  mainRoots: [],
  group: null,
  zoneSchool: '12',
  woundSchool: 'wilt region',
  meshSchool: 'metal',
  closedSeasons: [{ hosts: ['oak'], from: '04-01', to: '07-31', why: 'Beetles fly.' }],
  region: 'Test',
};
