import { SAMPLE_PASSWORD, samplePeople } from '@/stand-ins/sample-people';

/** Prints the sample sign-ins. */
console.log(`Sign in with one press, or by hand with the password “${SAMPLE_PASSWORD}”:`);
for (const p of samplePeople) console.log(`  ${p.role.padEnd(11)}${p.email.padEnd(26)}${p.name}`);
