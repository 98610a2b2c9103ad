import nextJest from 'next/jest.js';

const config = nextJest({ dir: './' })({
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  // Property tests and spawned commands on a busy machine; nothing waits for the clock.
  testTimeout: 60_000,
  // One core less, as is the default, is half of a small machine.
  maxWorkers: '100%',
  testPathIgnorePatterns: ['/node_modules/', '/.next/', '/e2e/'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
});

// D3 ships modules only; Jest has to turn them into what it can load.
const withModules = async () => ({
  ...(await config()),
  transformIgnorePatterns: ['/node_modules/(?!(d3-[a-z-]+|internmap)/)'],
});
export default withModules;
