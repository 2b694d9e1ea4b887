// The one version of the standard we make; the package's index brings all of them.
export { default as v7 } from '../node_modules/uuid/dist/esm-browser/v7.js';
