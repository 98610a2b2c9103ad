import { readFileSync } from 'node:fs';
import nextJest from 'next/jest.js';

const config = nextJest({ dir: './' })({
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  // Property tests and spawned commands on a busy machine; nothing waits for the clock.
  testTimeout: 60_000,
  // One core less, as is the default, is half of a small machine.
  maxWorkers: '100%',
  testSequencer: '<rootDir>/bin/setup/jest-sequence.cjs',
  setupFiles: ['<rootDir>/bin/setup/jest-database.cjs'],
  testPathIgnorePatterns: ['/node_modules/', '/.next/', '/e2e/'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
});

/** Modules of the knowledge that are data; `next.config.ts` gives them to browsers in the same way. */
const DATA_MODULES = JSON.parse(readFileSync(new URL('knowledge/data-modules.json', import.meta.url), 'utf8'));
const KNOWLEDGE = `/knowledge/(${DATA_MODULES.join('|')})\\.ts$`;

// The first pattern that matches is taken. D3 ships modules only; Jest has to turn them into what it can load.
const adapted = async () => {
  const base = await config();
  return {
    ...base,
    transform: { [KNOWLEDGE]: '<rootDir>/bin/setup/jest-knowledge.cjs', ...base.transform },
    transformIgnorePatterns: ['/node_modules/(?!(d3-[a-z-]+|internmap)/)'],
  };
};
export default adapted;
