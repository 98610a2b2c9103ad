import { readSettings } from './settings';

it.each([
  [{}, /DATABASE_URL is not set/],
  [{ DATABASE_URL: 'mysql://x' }, /DATABASE_URL must look like postgres/],
  [{ DATABASE_URL: 'postgres://a@b/c', PORT: 'many' }, /PORT must be a whole number/],
  [{ DATABASE_URL: 'postgres://a@b/c', PORT: '70000' }, /PORT must be from 1 to 65535/],
  [{ DATABASE_URL: 'postgres://a@b/c', ELMHORN_DEMO: 'yes' }, /ELMHORN_DEMO must be 0 or 1/],
])('settings %p are one clear sentence', (env, sentence) => {
  const r = readSettings(env);
  expect(r.ok ? '' : r.sentence).toMatch(sentence);
});
