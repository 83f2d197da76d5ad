// Bundles the command line where what is bundled is older than what it is made from.
import { bundleCli } from './lib/bundle-cli.js';

await bundleCli();
