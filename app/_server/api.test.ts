import { fromHere } from './api';
import { deviceOf } from './viewer';

const asked = (headers: Record<string, string>) =>
  fromHere(new Request('https://trees.example/api/v1/commands/book', { method: 'POST', headers }));
const HOST = { host: 'trees.example' };

it.each([
  ['our own page', { 'sec-fetch-site': 'same-origin', origin: 'https://elsewhere.example' }, true],
  ['another page of a browser', { 'sec-fetch-site': 'cross-site' }, false],
  ['a page of a sister site', { 'sec-fetch-site': 'same-site', origin: 'https://trees.example' }, false],
  ['an older browser on our own page', { ...HOST, origin: 'https://trees.example' }, true],
  ['an older browser elsewhere', { ...HOST, origin: 'https://elsewhere.example' }, false],
  ['a form without an origin of its own', { ...HOST, origin: 'null' }, false],
  ['a program', HOST, true],
  [
    'our own page behind a proxy',
    { host: '127.0.0.1', 'x-forwarded-host': 'trees.example', origin: 'https://trees.example' },
    true,
  ],
])('what changes something comes from our own pages or a program: %s', (_, headers, allowed) =>
  expect(asked(headers)).toBe(allowed),
);

it('a device is told by its kind alone', () => {
  expect(deviceOf('Anything/5.0 (Handheld) Mobile Engine')).toBe('phone or tablet');
  expect(deviceOf('Anything/5.0 (Desktop)')).toBe('computer');
  expect(deviceOf('')).toBe('a program');
});
