import { may, refusal } from './rights';

it('the roles: who may what, and a refusal that names who can', () => {
  expect(may('technician', 'apply')).toBe(true);
  expect(may('technician', 'prescribe')).toBe(false);
  expect(may('office', 'see gate codes')).toBe(false);
  expect(refusal('technician', 'prescribe')).toBe(
    'To prescribe takes an owner or an arborist; you are signed in as technician.',
  );
});
