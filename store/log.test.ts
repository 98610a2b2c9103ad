import { pathOf, withoutPeople } from './log';

it('a failure is told without what somebody typed', () => {
  const of = (error: unknown) => JSON.stringify(withoutPeople(error));
  const database = Object.assign(new Error('duplicate key: (email)=(a.client@example.org) already exists'), {
    code: '23505',
    constraint_name: 'person_email_key',
    detail: 'Key (email)=(a.client@example.org) already exists.',
  });
  expect(of(database)).not.toContain('a.client');
  expect(withoutPeople(database)).toMatchObject({ code: '23505', constraint: 'person_email_key' });
  expect(of(new Error('no dose for “Mrs A. Client” here'))).not.toContain('Client');
  expect(of(new Error('no dose'))).toContain('no dose');
  try {
    JSON.parse('{"name": "A. Client');
  } catch (error) {
    expect(of(error)).not.toContain('Client');
  }
  expect(withoutPeople('text')).toEqual({ name: 'string' });
});

it.each([
  ['/trees/0192b6f2-7d11-7c33-9b0a-000000000001/measure?find=Smith', '/trees/:id/measure'],
  ['/share/9sJ2kd83jKJd93kd0sLqPz77ab', '/share/:id'],
  ['/api/calendar/9sJ2kd83jKJd93kd0sLqPz77ab.ics', '/api/calendar/:token.ics'],
  ['/trees?find=A+Client', '/trees'],
  ['/', '/'],
])('%s is %s', (address, pattern) => expect(pathOf(address)).toBe(pattern));
