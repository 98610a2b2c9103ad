// Changes the source in a hundred seeded places, one at a time, and names what no unit test notices.
import { join } from 'node:path';
import { openCluster } from './setup/cluster.mjs';
import { copyDatabase, prepareDatabase, tsx } from './setup/database.mjs';
import { ensurePackages } from './setup/install.mjs';
import { dataHome, options } from './setup/options.mjs';
import { run } from './setup/say.mjs';

await run(async () => {
  const want = options(process.argv.slice(2), { data: 'text', count: 'count', seed: 'count', at: 'text' });
  ensurePackages();
  const cluster = await openCluster(want.data ?? join(dataHome(), 'test'));
  try {
    await prepareDatabase(cluster, 'elmhorn_unit', { reset: true });
    await copyDatabase(cluster, 'elmhorn_unit', 2);
    await tsx(
      ['bench/mutants/run.ts', String(want.count ?? 100), String(want.seed ?? 30), want.at ?? ''],
      {
        DATABASE_URL: cluster.appUrl('elmhorn_unit'),
        ELMHORN_TEST_OWNER_URL: cluster.ownerUrl('elmhorn_unit'),
      },
      'the changes were not tried',
    );
  } finally {
    cluster.stop();
  }
});
process.exit();
