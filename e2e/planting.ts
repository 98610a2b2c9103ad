import { randomUUID } from 'node:crypto';
import { expect, findTree, type Sent } from './hands';
import type { Page } from '@playwright/test';

/** Performs a command over plain HTTP, as whoever is signed in; it must go through. */
export async function send<T = unknown>(page: Page, name: string, data: object): Promise<T> {
  const r = await page.request.post(`/api/v1/commands/${name}`, { data });
  const answer = (await r.json()) as Sent<T>;
  expect(answer, `${name}: ${JSON.stringify(answer)}`).toMatchObject({ ok: true });
  return (answer as { ok: true; value: T }).value;
}

/** What is answered where nothing stands against a drench. */
const WELL = {
  boundary: 'far enough',
  edibles: 'nothing',
  'ground-bloom': 'nothing',
  bloom: 'over',
  litter: 'pulled back or bare',
  slope: 'level',
  drought: 'no',
  services: 'located and marked',
};

async function labelNamed(page: Page, name: string): Promise<string> {
  await page.goto('/stock');
  const label = await page
    .getByRole('main')
    .getByRole('link', { name: new RegExp(`^${name},`) })
    .first()
    .getAttribute('href');
  return /[0-9a-f-]{36}/.exec(label!)![0];
}
const released = (...gates: string[]) =>
  Object.fromEntries(gates.map((gate) => [gate, 'Walked today: known and sound elms.']));

/** An infusion from hanging devices for a sound elm, today. @returns the id of its plan */
export async function plantInfusion(page: Page, treeId: string): Promise<string> {
  const labelId = await labelNamed(page, 'Training label 2');
  const nothing = { findings: [], tests: [], detail: {}, note: '', change: '', changePrice: '', alike: [] };
  await send(page, 'save-inspection', {
    id: randomUUID(),
    treeId,
    hostKey: [],
    crownLoss: '2',
    vigour: 'good',
    ...nothing,
  });
  await send(page, 'save-diagnosis', {
    id: randomUUID(),
    treeId,
    conditionId: 'dutch-elm-disease',
    certainty: 'possible',
    decision: 'protect a sound tree',
    reason: 'Finds in the next street.',
  });
  const id = randomUUID();
  await send(page, 'plan-treatment', {
    id,
    treeId,
    labelId,
    useKey: 'protect',
    choices: { soil: 'moist', leaf: 'full', said: { collar: 'sound' }, when: { kind: 'now' } },
    released: released('host-not-confirmed', 'window-closed'),
  });
  return id;
}

/** A place of its own with elms in a row that wait for a drench today. @returns the ids of the place and its trees, by tag */
export async function plantDrenches(page: Page, name: string, girths: readonly number[]) {
  const labelId = await labelNamed(page, 'Training label 1');
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ index: 1 });
  await page.getByLabel('Name of the place').fill(name);
  await page.getByLabel(/^Area/).fill('60000');
  await page.getByLabel(/^Nearest well/).fill('90');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  const siteId = /sites\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const tags = girths.map((_, i) => `R${i + 1}`);
  const rest = { diameter: null, height: null, lat: null, lon: null, order: null, note: null };
  const answer = await page.request.post('/api/import', {
    data: {
      id: randomUUID(),
      siteId,
      measuredOn: '2026-05-04',
      mapping: { tag: 'tag', host: 'host', girth: 'girth', ...rest },
      units: { trunk: 'cm', height: 'm' },
      csv: ['tag,host,girth', ...girths.map((g, i) => `${tags[i]},wych-elm,${g}`)].join('\n'),
    },
  });
  expect(await answer.text()).toContain(String(girths.length));
  const trees: Record<string, string> = {};
  for (const tag of tags) trees[tag] = await findTree(page, tag, name);
  for (const tag of tags)
    await send(page, 'save-diagnosis', {
      id: randomUUID(),
      treeId: trees[tag],
      conditionId: 'elm-leaf-beetle',
      certainty: 'likely',
      decision: 'treat now',
      reason: 'Third summer of skeletonised leaves in the whole row.',
    });
  const [first, ...others] = tags;
  await send(page, 'plan-treatment', {
    id: randomUUID(),
    treeId: trees[first!],
    labelId,
    useKey: 'drench',
    choices: { soil: 'moist', leaf: 'leafless', said: WELL },
    released: released('host-not-confirmed', 'threshold-unknown', 'crown-loss-unknown', 'vigour-unknown'),
    alike: others.map((tag) => ({ id: randomUUID(), treeId: trees[tag] })),
    alikeReason: 'One row of one planting, walked today.',
  });
  return { siteId, trees };
}

/** Somebody with a licence for drenches and injections. */
export async function arborist(page: Page, name: string) {
  const [personId, password] = [randomUUID(), `${randomUUID()}-estuary`];
  const email = `${personId.slice(0, 8)}@fellside.example`;
  await send(page, 'add-person', { id: personId, name, email, role: 'arborist', password });
  await send(page, 'edit-person', {
    id: personId,
    role: 'arborist',
    licenceNumber: 'T-1',
    licenceCategories: 'ornamental, turf, tree injection',
    licenceExpires: '2099-01-01',
    active: true,
    basedOn: 1,
  });
  return { personId, email, password };
}

/** A crew that goes out on every day of the week. */
export async function crewOf(page: Page, name: string, personIds: readonly string[]): Promise<string> {
  const crewId = randomUUID();
  await send(page, 'save-crew', {
    id: crewId,
    name: `Crew ${name}`,
    personIds,
    hours: 'Mon–Sun 00:00–24:00',
    yard: '50.33, −4.12',
    least: 1,
    active: true,
    basedOn: null,
  });
  return crewId;
}

/** Somebody with a licence, alone in a crew. */
export async function crewOfOne(page: Page, name: string) {
  const who = await arborist(page, name);
  return { ...who, crewId: await crewOf(page, name, [who.personId]) };
}
