import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { coreCommand } from './core/command';

const root = join(__dirname, '..');
const call = (
  file: string,
  args: string[],
  { input = '', env = {} }: { input?: string; env?: Record<string, string> } = {},
) => {
  const done = spawnSync(process.execPath, ['--import', 'tsx', join('bin', file), ...args], {
    cwd: root,
    input,
    encoding: 'utf8',
    env: { PATH: process.env.PATH!, NODE_ENV: 'test', ...env },
  });
  return { status: done.status, out: done.stdout, err: done.stderr };
};

/** A question to the core as its command would be called, without a process of its own. */
const ask = (args: string[], input = '') => coreCommand(args, () => input);

describe('the core on the command line', () => {
  it('is a process that reads its input, writes both outputs and ends as it says', () => {
    const good = { label: 'training-01-drench', girthCm: 145.1, siteAreaM2: 6200 };
    for (const input of [JSON.stringify(good), '{"label":"no-such-label"}', 'not json'])
      expect(call('core.ts', ['dose'], { input })).toEqual(ask(['dose'], input));
  });
  it('answers in JSON', () => {
    const r = ask(['dose'], JSON.stringify({ label: 'training-01-drench', girthCm: 145.1, siteAreaM2: 6200 }));
    expect(r.status).toBe(0);
    expect(JSON.parse(r.out).exact).toBeCloseTo(43.53, 9);
  });
  it('lists its questions and prints their schemas', () => {
    expect(ask(['--help']).out).toMatch(/measure[\s\S]*dose[\s\S]*gates[\s\S]*ring[\s\S]*follow-ups/);
    const schemas = JSON.parse(ask(['--schema']).out);
    expect(Object.keys(schemas).length).toBeGreaterThan(8);
    expect(schemas.ring.required).toContain('girthCm');
  });
  it('lists the words of a case, and answers a case that is written with them', () => {
    const words = JSON.parse(ask(['knowledge']).out);
    const sign = words.signs.find((s: { words: string }) => s.words.startsWith('Shoot tip black')).id;
    const host = words.hosts.find((h: { name: string }) => h.name === 'Pear').id;
    const r = ask(
      ['decide'],
      JSON.stringify({
        host,
        month: 6,
        findings: [`${sign}=4`, 'tips-hook=3'],
        tests: ['lab-blight/fire-blight'],
      }),
    );
    expect(JSON.parse(r.out)).toMatchObject({
      decision: 'treat now',
      condition: 'fire-blight',
      certainty: 'confirmed by test',
    });
  });
  it.each([
    ['diagnose', '{"host":"pear","month":6,"findings":["no-such-sign"]}', 'findings.0'],
    ['diagnose', '{"host":"moon-tree","month":6}', 'host'],
    ['decide', '{"host":"pear","month":13}', 'month'],
    ['decide', '{"host":"pear","month":6,"tests":["wipe/sings"]}', 'tests.0'],
    ['measure', '{"stems":[{"kind":"girth","value":-1}]}', 'stems.0.value'],
    ['measure', 'not json', 'input'],
    ['dose', '{"label":"no-such-label"}', 'label'],
    ['gates', '{"label":"training-01-drench","today":"2026-02-31","host":"wych-elm"}', 'today'],
    ['ring', '{"girthCm":3e9,"count":10}', 'girthCm'],
    ['probe-grid', '{"innerM":1,"outerM":45,"spacingM":0.5}', 'outerM'],
    ['probe-grid', '{"innerM":5,"outerM":5}', 'innerM'],
    ['nonsense', '{}', 'question'],
    ['constructor', '{}', 'question'],
  ])('%s with %s exits 2 with path and sentence', (question, input, path) => {
    const r = ask([question], input);
    expect(r.status).toBe(2);
    expect(JSON.parse(r.out).issues[0]).toMatchObject({ path, message: expect.stringMatching(/.{5}/) });
    expect(r.err).not.toMatch(/\n\s+at /);
  });
});

it('every example of docs/core.md answers as it says', () => {
  const text = readFileSync(join(root, 'docs/core.md'), 'utf8').replace(/\n\s{7}"/g, '"');
  const examples = [...text.matchAll(/^echo '(\{.*\})' \| npm run -s core -- (\S+)\s*(?:# (.*))?$/gm)];
  expect(examples.length).toBeGreaterThan(7);
  for (const [, input, question, said = ''] of examples) {
    const r = ask([question!], input!);
    expect([question, r.status, r.err]).toEqual([question, 0, '']);
    // A figure in the comment stands in the answer, to the digits given.
    const figures = [...said.matchAll(/\d+\.\d{4,}/g)].map((m) => m[0]);
    const numbers = [...r.out.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
    for (const f of figures)
      expect([
        question,
        f,
        numbers.some((n) => Math.abs(n - Number(f)) <= 10 ** -(f.split('.')[1]!.length - 1)),
      ]).toEqual([question, f, true]);
  }
}, 60_000);

describe('a company and its first owner', () => {
  const make = (...more: string[]) =>
    call('company.ts', ['--name', 'Harbour Crew', '--owner', 'Ada Quay', ...more], {
      env: { DATABASE_OWNER_URL: process.env.ELMHORN_TEST_OWNER_URL ?? '' },
    });
  it('are made once, with a link for the password', () => {
    const email = `ada-${Date.now()}@harbour.example`;
    const made = make('--email', email.toUpperCase());
    expect([made.status, made.err]).toEqual([0, '']);
    expect(made.out).toMatch(/Harbour Crew is there\. Ada Quay sets a password.*\n\s+\/reset\/[\w-]{43}\n/);
    const again = make('--email', email);
    expect([again.status, again.err]).toEqual([1, 'elmhorn: somebody signs in with this e-mail address already.\n']);
    const env = { DATABASE_OWNER_URL: process.env.ELMHORN_TEST_OWNER_URL ?? '' };
    const lost = call('reset-link.ts', ['--email', email.toUpperCase()], { env });
    expect([lost.status, lost.err]).toEqual([0, '']);
    expect(lost.out).toMatch(/^Ada Quay sets a new password, once, within a day, at:\n\s+\/reset\/[\w-]{43}\n$/);
    for (const args of [[], ['--email', 'nobody@harbour.example'], ['--name', 'Ada']]) {
      const none = call('reset-link.ts', args, { env });
      expect([none.status, none.out]).toEqual([1, '']);
      expect(none.err).toMatch(/^elmhorn: [^\n]+\n$/);
    }
  });
  it.each([
    ['no e-mail', []],
    ['no address', ['--email', 'ada']],
    ['a zone that is none', ['--email', 'a@b.example', '--zone', 'Mars/Olympus']],
    ['an unknown option', ['--email', 'a@b.example', '--colour', 'red']],
  ])('%s is one sentence and exit code 1', (_, more) => {
    const r = make(...more);
    expect(r.status).toBe(1);
    expect(r.err).toMatch(/^elmhorn: [^\n]+\n$/);
  });
});

describe('starting', () => {
  const sentence = /^elmhorn: [^\n]+\n$/;
  it.each([
    ['without a database', {}],
    ['with a wrong port', { DATABASE_URL: 'postgres://a@127.0.0.1:1/x', PORT: 'many' }],
    ['with a database that is down', { DATABASE_URL: 'postgres://a@127.0.0.1:1/x', PORT: '39999' }],
    ['as a role that could pass the walls', { DATABASE_URL: process.env.ELMHORN_TEST_OWNER_URL ?? '', PORT: '39999' }],
  ])('%s is one sentence and exit code 1', (_, env) => {
    const r = call('start.ts', [], { env });
    expect(r.err).toMatch(sentence);
    expect(r.status).toBe(1);
  });
  it('on a busy port too', async () => {
    const server = createServer();
    await new Promise<void>((go) => server.listen(0, '127.0.0.1', go));
    const port = String((server.address() as { port: number }).port);
    // The child must be able to see the port taken while this process waits for it.
    const r = call('start.ts', [], { env: { DATABASE_URL: 'postgres://a@127.0.0.1:1/x', PORT: port } });
    server.close();
    expect(r.err).toBe(`elmhorn: port ${port} on 127.0.0.1 is taken; choose another with PORT.\n`);
  });
});
