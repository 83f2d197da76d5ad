import { counted } from '../../messages/wording.ts';
import type { Part } from '../../model/site.ts';
import type { UseTag } from '../../model/template.ts';
import { partBook } from '../../resolve/content/parts.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { tagsOf } from './tags.ts';

/** Edits of parts, and of everything that uses them. */

/** Where parts are written that are made on the drawings. */
const partsFile = 'parts.eave';

/** The part of that name. Throws a CommandRefused where it is gone. */
export function findPart({ site }: ResolvedSite, name: string): Part {
	const part = partBook(site.parts).get(name);
	if (!part) throw new CommandRefused(`There is no part ${name} any more.`);
	return part;
}

/** Every use of a part, in layers and in other parts. */
export function usesOf({ site }: ResolvedSite, name: string): UseTag[] {
	return tagsOf(site).flatMap((tag) => (tag.kind === 'use' && tag.part.text === name ? [tag] : []));
}

/** Writes a new part: behind the others, or in a file of its own. */
export function writePart(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	lines: readonly string[]
): void {
	checkName(name);
	const { site, reading } = resolved;
	refuseSame(partBook(site.parts).get(name));
	const last = site.parts.at(-1);
	if (last) {
		surgery.insertAfter(last.span, lines);
		return;
	}
	const { texts } = reading.files;
	const file = texts.has(partsFile) ? `parts-${texts.size}.eave` : partsFile;
	surgery.files({
		kind: 'add',
		file,
		text: `// What is written once and used in many places.\n${lines.join('\n')}\n`
	});
}

/** A new part, to begin with. */
export function addPart(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const lines = [`part ${name}(title) """`, '  <p>{title}</p>', '"""'];
	writePart(resolved, surgery, name, lines);
}

/** Takes a part away that nothing uses. */
export function removePart(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const part = findPart(resolved, name);
	const uses = usesOf(resolved, name);
	const [first] = uses;
	if (first) {
		throw new CommandRefused(
			`${name} is used in ${counted(uses.length, 'place')}: put something else there first.`,
			first.part.span
		);
	}
	surgery.remove(part.span);
}

/** Writes the markup of a part anew. */
export function setPartMarkup(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	markup: string
): void {
	const { span } = findPart(resolved, name).markup;
	if (markup.includes('"""'))
		throw new CommandRefused('""" would end the markup: write &quot; for a quote.');
	const lines = markup.split('\n').map((line) => (line === '' ? '' : `  ${line}`));
	surgery.replace(span, `"""\n${lines.join('\n')}\n"""`);
}

/** Renames a part in all its uses. */
export function renamePart(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	const part = findPart(resolved, name);
	checkName(to);
	refuseSame(partBook(resolved.site.parts).get(to));
	surgery.replace(part.name.span, to);
	for (const use of usesOf(resolved, name)) surgery.replace(use.part.span, to);
}

function refuseSame(part: Part | undefined): void {
	if (!part) return;
	throw new CommandRefused(`There is a part ${part.name.text} already.`, part.name.span);
}
