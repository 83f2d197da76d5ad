/** Bundles the command line where nothing is bundled, or something it is made from is newer. */
export function bundleCli(): Promise<void>;
