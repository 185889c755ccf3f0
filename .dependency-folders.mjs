import layers from './.dependency-cruiser.mjs';

/**
 * No folder imports, by whatever way, from one that imports from it. Tests are left out: they may look at
 * what stands above.
 *
 * @type {import('dependency-cruiser').IConfiguration}
 */
export default {
  forbidden: [
    {
      name: 'no-circle-of-folders',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...layers.options, exclude: { path: '(\\.test\\.tsx?$|/testing/)' } },
};
