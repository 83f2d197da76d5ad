/** The declarations of the package by the names of their files. */
export function packageTypes(): Map<string, string>;
