/** Every file of the repository as it is now, new ones among them. */
export function repositoryFiles(root: string): string[];
/** The files that import one file. */
export function importers(root: string, files: readonly string[], of: string): string[];
/** The unit tests nearest to what was changed. */
export function nearTests(root: string, files: readonly string[], changed: readonly string[]): string[];
