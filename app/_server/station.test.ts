import { inRealUse } from '@/facts/real-use';
import { stationFor } from './station';

const as = (env: Record<string, string | undefined>) => {
  const before = { ...process.env };
  Object.assign(process.env, env);
  for (const [k, v] of Object.entries(env)) if (v === undefined) delete process.env[k];
  return () => {
    process.env = before;
  };
};

it('invented weather is for the demo alone', () => {
  const back = as({ NODE_ENV: 'production', ELMHORN_DEMO: undefined });
  expect(inRealUse()).toBe(true);
  const real = stationFor({ lat: 52, lon: 4 });
  expect(real.basis).toBe('usual');
  expect(real.at(new Date('2027-06-10T10:00:00Z'))).toMatchObject({ temperatureC: null, windMs: null, sky: null });
  back();
  const demo = as({ NODE_ENV: 'production', ELMHORN_DEMO: '1' });
  expect(stationFor({ lat: 12, lon: 4 })).toMatchObject({ basis: 'simulated' });
  demo();
});
