/** Each worker of a whole run has a database of its own, so that no file waits for what another one locks or empties. */
const worker = process.env.JEST_WORKER_ID;
if (process.env.ELMHORN_UNIT_DATABASES && worker)
  for (const name of ['DATABASE_URL', 'ELMHORN_TEST_OWNER_URL'])
    process.env[name] = process.env[name].replace(/\/elmhorn_unit$/, `/elmhorn_unit_${worker}`);
