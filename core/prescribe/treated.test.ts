import { findHost, regionOf, trainingLabels } from '@/knowledge';
import type { Choices, TreatmentContext } from '../gates/context';
import type { LabelUse } from '../label/schema';
import { EMPTY_SITE_MAP, type SiteMap } from '../site-map/site-map';
import { treatedBy } from './treated';
import { UNSAID } from './unsaid';

const useOf = (method: LabelUse['method']) => trainingLabels.flatMap((l) => l.uses).find((u) => u.method === method)!;
const tree: TreatmentContext = {
  ...UNSAID,
  on: '2026-05-01',
  host: findHost('wych-elm')!,
  reading: { day: '2026-05-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  crown: { shape: 'ellipsoid', widthM: 8, depthM: 9 },
  heightM: 12,
  soilTexture: 'loam',
  region: regionOf('estuary'),
};
const nothing: Choices = { soil: null, leaf: null, temperatureC: null, windMs: null, rainNext24Mm: null };
const treated = (use: LabelUse, more: Partial<TreatmentContext> = {}) => treatedBy({ ...tree, ...more }, use, nothing);

it('a root zone is fed from near the trunk to the edge of the crown, by the part of it that is open ground', () => {
  const feeding = useOf('root-zone-feeding');
  const fully = treated(feeding);
  expect(fully.ring!.outerM).toBe(4);
  expect(fully.words).not.toContain('open ground');
  // A pavement over the half of it east of the trunk.
  const corners = [
    { x: 0, y: -50 },
    { x: 50, y: -50 },
    { x: 50, y: 50 },
    { x: 0, y: 50 },
  ];
  const plan: SiteMap = { ...EMPTY_SITE_MAP, areas: [{ id: 'path', kind: 'paving', name: 'Path', corners }] };
  const half = treated(feeding, { siteMap: { plan, at: { x: 0, y: 0 }, others: [] } });
  expect(half.areaM2! / fully.areaM2!).toBeCloseTo(0.5, 1);
  const share = /(\d+) % of it open ground/.exec(half.words)?.[1];
  expect(Number(share)).toBeCloseTo((100 * half.areaM2!) / fully.areaM2!, 0);
});

it('probe holes stand as close as the label says', () => {
  const probe = useOf('soil-injection');
  const wide = { ...probe, rootzone: { ...probe.rootzone!, spacingCm: 150 } };
  const near = { ...probe, rootzone: { ...probe.rootzone!, spacingCm: 75 } };
  const [few, many] = [wide, near].map((u) => treated(u as LabelUse).grid!.holes.length) as [number, number];
  expect(many / few).toBeGreaterThan(3);
  expect(many / few).toBeLessThan(5);
});

it('bark is sprayed no higher than the tree was measured, and not at all before it was', () => {
  const bark = useOf('bark-spray');
  expect(treated(bark, { heightM: 1 }).words).toBe('bark up to 1.0 m');
  expect(treated(bark, { heightM: null }).spray).toBeNull();
});
