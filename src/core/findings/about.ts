import { foundElsewhere } from '../check/elsewhere.ts';
import { checks } from '../check/list.ts';

/** What a kind of finding is about. */
export interface About {
	/** What should be so, as a sentence. */
	readonly what: string;
	/** Why that matters. */
	readonly why: string;
}

const known = new Map(
	[...foundElsewhere, ...checks].flatMap((check) =>
		check.codes.map((code): [string, About] => [code, { what: check.what, why: check.why }])
	)
);

/** What a code is about; undefined for what is found only as text is read. */
export function aboutOf(code: string): About | undefined {
	return known.get(code);
}
