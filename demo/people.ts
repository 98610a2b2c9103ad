import { DEMO_PASSWORD, people } from './scenario';

/** Prints the sample sign-ins. */
console.log(`Sign in with one press, or by hand with the password “${DEMO_PASSWORD}”:`);
for (const p of people) console.log(`  ${p.role.padEnd(11)}${p.email.padEnd(26)}${p.name}`);
