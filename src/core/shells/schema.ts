import * as z from 'zod';
import { fillKinds, stateKinds } from '../model/site.ts';

/** What `shells.json` says, as whoever fills shells reads it. Its JSON Schema is made from this. */

const place = z.object({
	slot: z.string().describe('The name of the <slot> in the shell; what fills it takes its place.'),
	region: z
		.string()
		.describe('The region as its layout calls it; "main" on a page without layouts.'),
	layout: z
		.string()
		.optional()
		.describe('The layout it stands in; none on a page without layouts.'),
	element: z.string().describe('The element that the region is.'),
	content: z.boolean().describe('It is where the page’s own content lands.'),
	required: z.boolean().describe('Each page has to end up with something in it.'),
	fills: z
		.array(z.enum(fillKinds))
		.describe('What a page may do: what stands there is the default.'),
	filled: z
		.array(
			z.object({
				layer: z.string(),
				how: z.enum(['gave', ...fillKinds]),
				pieces: z.array(z.string())
			})
		)
		.describe('What layouts have put there, the outermost first; "gave": it stands in that layout.')
});

const locked = z.object({
	region: z.string(),
	layout: z.string(),
	pieces: z.array(z.string())
});

const shell = z.object({
	file: z.string().describe('The document, from the folder of shells.json.'),
	layouts: z.array(z.string()).describe('What its pages sit under, the outermost first.'),
	role: z.string().optional().describe('Who sees it so; others may see other pieces of layouts.'),
	title: z.string().describe('What a title is: {title} stands for the page’s own.'),
	description: z.string().optional().describe('What holds where a page says none.'),
	places: z.array(place),
	locked: z.array(locked).describe('Regions that no page may fill.')
});

const pageOf = {
	shell: z.string().describe('The name of its shell.'),
	title: z.string().describe('Its own title.'),
	description: z.string().optional(),
	sheets: z.array(z.string()).describe('Sheets of its own, behind those of the shell.'),
	fills: z
		.array(
			z.object({
				slot: z.string(),
				how: z.enum([...fillKinds, 'content']),
				pieces: z.array(z.string())
			})
		)
		.describe('What it puts where; "content" is its own content.')
};

const route = z.object({
	route: z.string().describe('The pattern: fixed segments, :name for one, * for the rest.'),
	admit: z.array(z.string()).describe('The roles that are let in; empty: everyone.'),
	pages: z
		.array(z.object({ address: z.string(), title: z.string() }))
		.describe('The pages that it stands for; empty where any value will do.'),
	moved: z.array(z.string()).describe('Old addresses, which redirect here with 308.'),
	...pageOf
});

const state = z.object({ state: z.enum(stateKinds), at: z.string(), ...pageOf });

export const shellsSchema = z.object({
	$schema: z.literal('./shells.schema.json'),
	site: z.string(),
	lang: z.string(),
	base: z.string().describe('What addresses and sheets in the shells begin with.'),
	roles: z.array(z.string()).describe('The first is whoever has not signed in.'),
	shells: z.record(z.string(), shell),
	routes: z.array(route),
	states: z.array(state)
});

export type ShellsFile = z.infer<typeof shellsSchema>;
export type ShellPlace = z.infer<typeof place>;
export type ShellPage = Pick<ShellsFile['routes'][number], keyof typeof pageOf>;

/** The JSON Schema (draft 2020-12) of `shells.json`. */
export function shellsJsonSchema(): string {
	return `${JSON.stringify(z.toJSONSchema(shellsSchema), undefined, '\t')}\n`;
}
