import fc from 'fast-check';
import { addressOf } from './address';

it('takes the connection, or what stands as many places from the right as there are proxies of one’s own', () => {
  expect(addressOf(null, '10.0.0.1', 0)).toBe('10.0.0.1');
  expect(addressOf('6.6.6.6', '10.0.0.1', 0)).toBe('10.0.0.1');
  expect(addressOf('6.6.6.6, 9.9.9.9', '10.0.0.1', 1)).toBe('9.9.9.9');
  expect(addressOf('6.6.6.6, 9.9.9.9', '10.0.0.1', 9)).toBe('6.6.6.6');
});

it('what a stranger writes in front changes nothing', () => {
  const part = fc.stringMatching(/^[0-9a-f.:]{1,12}$/);
  fc.assert(
    fc.property(
      fc.array(part, { maxLength: 5 }),
      fc.array(part, { minLength: 1, maxLength: 4 }),
      part,
      (forged, real, remote) => {
        const proxies = real.length;
        expect(addressOf([...forged, ...real].join(', '), remote, proxies)).toBe(real[0]);
        expect(addressOf([...forged, ...real].join(', '), remote, 0)).toBe(remote);
      },
    ),
  );
});
