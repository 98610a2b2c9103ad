import { v7 } from 'uuid';
import { SAMPLE_PASSWORD, samplePeople } from '@/stand-ins/sample-people';
import { hashPassword } from '@/store/auth';
import { db } from '@/store/db';
import { assignToBirches, divideOrchard, putOnADay, signRules } from './after';
import { putCompany, type SampleCompany, type Staff } from './company';
import { ago, put, rows, sql, writeRows } from './rows';
import { places, type SiteSample } from './scenario';
import { putSite } from './site';
import { putDiagnoses, putInspections, putMeasurement, putTree } from './tree';
import { Treatments, type SiteActives } from './treatments';

/** A site with its trees: measured, inspected, diagnosed, treated season by season, and what is open on them. */
function putSiteWithTrees(company: SampleCompany, sample: SiteSample, clientId: string) {
  const id = putSite(company, sample, clientId);
  const actives: SiteActives = {};
  const seen = new Map<string, number>();
  for (let index = 0; index < sample.trees.count; index++) {
    const tree = putTree(company, sample, id, { index, seen });
    putMeasurement(company, tree, ago(500 + (index % 7)), 0.985);
    const reading = putMeasurement(company, tree, ago(150 + (index % 9)), 1);
    putDiagnoses(company, tree, putInspections(company, tree));
    new Treatments(company, { id, sample, actives }, tree, reading).putAll();
  }
}

function loadCompany(of: { name: string; region: string; samples: SiteSample[]; staff: Staff; hash: string }) {
  const company = putCompany(of);
  const clients = new Map<string, string>();
  for (const sample of of.samples) {
    const clientId = clients.get(sample.client) ?? v7();
    if (!clients.has(sample.client))
      put('client', { id: clientId, company_id: company.id, name: sample.client, contact: sample.contact });
    clients.set(sample.client, clientId);
    putSiteWithTrees(company, sample, clientId);
  }
}

/** Loads the sample companies into an empty database; a database that already has a company is left as it is. */
async function main() {
  if ((await sql`select from company limit 1`).length) return console.log('The sample company is there already.');
  const hash = await hashPassword(SAMPLE_PASSWORD);
  loadCompany({ name: 'Oxmere Tree Care', region: 'estuary', samples: places, staff: [...samplePeople], hash });
  loadCompany({
    name: 'Fellside Boughs',
    region: 'upland',
    samples: [
      {
        ...places[0]!,
        client: 'Fellside Parish',
        name: 'Beck Walk',
        address: 'Beck Walk, Fellside',
        gateCode: 'F-9',
        trees: { ...places[0]!.trees, count: 6 },
      },
    ],
    staff: samplePeople.map((p) => ({
      ...p,
      name: p.name.split(' ')[0] + ' Birkrigg',
      email: p.email.replace('oxmere', 'fellside'),
      licence: p.licence && p.licence.replace('ED', 'UP'),
    })),
    hash,
  });
  await writeRows();
  await assignToBirches();
  await divideOrchard();
  await signRules();
  await putOnADay();
  console.log(
    `Loaded ${rows.tree!.length} trees at ${rows.site!.length} places, ${rows.record!.length} records, ${rows.follow_up!.length} follow-ups.`,
  );
}

main()
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => Promise.all([sql.end(), db().end()]));
