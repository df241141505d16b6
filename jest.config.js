// The tests run on what the build made: what is tested is what ships, workers and all.
const project = (name, more = {}) => ({
  displayName: name,
  rootDir: `<rootDir>/../${name}/dist`.replace('/../', '/'),
  testMatch: ['<rootDir>/**/*.test.js'],
  transform: {},
  testEnvironment: 'node',
  ...more,
});

export default {
  // What starts processes and files of its own may need long on a busy machine; a test that hangs ends all the same.
  testTimeout: 60_000,
  projects: [
    project('core'),
    project('client'),
    project('web', { rootDir: '<rootDir>/web/dist-js' }),
    project('world'),
    project('server', {
      globalSetup: '<rootDir>/testing/start-database.js',
      globalTeardown: '<rootDir>/testing/stop-database.js',
    }),
  ],
};
