import type { SiteFiles } from '../../model/files.ts';

/** What a pattern finds in all texts of a site, by its first group. Comments count: who names something there knows of it. */
export function namesIn({ texts }: Pick<SiteFiles, 'texts'>, pattern: RegExp): ReadonlySet<string> {
	return new Set(
		[...texts.values()].flatMap((text) =>
			[...text.matchAll(pattern)].flatMap(([, name]) => name ?? [])
		)
	);
}
