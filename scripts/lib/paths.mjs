import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '..', '..');
export const inRoot = (...parts) => path.join(ROOT, ...parts);
/** Everything the commands leave behind lives here; git ignores it. */
export const DATA_DIR = process.env.UPBEAT_DATA_DIR ?? inRoot('.data');
export const bin = (name) => inRoot('node_modules', '.bin', name);
