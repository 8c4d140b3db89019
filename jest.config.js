const transform = { '^.+\\.tsx?$': '<rootDir>/jest.transform.mjs' };
const common = {
  transform,
  // It reckons as much as core does.
  transformIgnorePatterns: ['/node_modules/(?!clipper2-ts/)'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  modulePathIgnorePatterns: ['<rootDir>/dist', '<rootDir>/data'],
};
export default {
  watchman: false,
  // Left to itself Jest keeps one core free, and waits on two.
  maxWorkers: '100%',
  // A busy machine may take its time; a test that hangs is still ended.
  testTimeout: 600_000,
  projects: [
    {
      ...common,
      displayName: 'node',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,contract,server,demo}/**/*.test.ts'],
      setupFilesAfterEnv: ['<rootDir>/core/jest.setup.ts'],
    },
    {
      ...common,
      displayName: 'web',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/web/**/*.test.{ts,tsx}'],
      setupFilesAfterEnv: ['<rootDir>/web/jest.setup.ts'],
    },
  ],
};
