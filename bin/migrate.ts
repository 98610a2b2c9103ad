import { migrate, MigrationRefused } from '@/store/migrate';

/** `npm run migrate`: brings the schema of DATABASE_OWNER_URL up to date. */
const url = process.env.DATABASE_OWNER_URL;
const app = process.env.DATABASE_APP_PASSWORD;
if (!url) {
  console.error('elmhorn: DATABASE_OWNER_URL is not set; give the connection string of the role that owns the schema.');
  process.exit(1);
}
migrate(url, app)
  .then((applied) => console.log(applied.length ? `Applied ${applied.join(', ')}.` : 'The schema is up to date.'))
  .catch((error) => {
    if (error instanceof MigrationRefused) console.error(`elmhorn: ${error.message}`);
    else if (error?.code === 'ECONNREFUSED')
      console.error('elmhorn: the database does not answer at DATABASE_OWNER_URL; start it and try again.');
    else if (['28P01', '3D000', '53100', '42501'].includes(error?.code))
      console.error(`elmhorn: the database refuses: ${error.message}.`);
    else console.error(error);
    process.exit(1);
  });
