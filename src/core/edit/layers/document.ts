import type { DocumentFile, DocumentPart, LayerRef } from '../../model/command.ts';
import type { DocumentSays, HeadItem, Script, Sheet } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer } from '../find.ts';
import { sayMarkup } from '../markup-statement.ts';
import { CommandRefused } from '../proposal.ts';
import { quoted } from '../site/settings.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of what a layer, or the site, says of the document around the body. */

/** Lets a layer name a sheet or script, or say something else of one that it names. */
export function setDocumentFile(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef | undefined,
	file: DocumentFile
): void {
	const { span, document } = ownerOf(resolved, ref);
	if (file.from.trim() === '') throw new CommandRefused(`A ${file.kind} has to be named.`);
	const line = lineOf(file);
	const there = fileIn(document, file);
	if (there) {
		surgery.replaceLines(there.span, [line]);
		return;
	}
	// Files of one kind stand together, in the order in which they come.
	const last = document.head.findLast(({ kind }) => kind === file.kind);
	if (last) surgery.insertBelow(last.span, [line]);
	else surgery.insertInto(span, [line]);
}

export function removeDocumentFile(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef | undefined,
	file: Pick<DocumentFile, 'kind' | 'from'>
): void {
	const there = fileIn(ownerOf(resolved, ref).document, file);
	if (!there) throw new CommandRefused(`There is no ${file.kind} ${file.from} any more.`);
	surgery.remove(there.span);
}

/** Says what stands in the head, or which attributes `html` or `body` have; `undefined` takes it back. */
export function setDocumentText(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef | undefined,
	part: DocumentPart,
	text: string | undefined
): void {
	const { span, document } = ownerOf(resolved, ref);
	const word = part === 'head' ? 'head' : `attributes ${part}`;
	sayMarkup(surgery, span, textIn(document, part)?.span, word, text);
}

/** What a layer says of one part, where it says it once. */
export function textIn(
	{ head, attributes }: DocumentSays,
	part: DocumentPart
): { readonly span: Span } | undefined {
	if (part !== 'head') return attributes.find(({ element }) => element.text === part);
	return head.find(({ kind }) => kind === 'head');
}

function ownerOf(
	resolved: ResolvedSite,
	ref: LayerRef | undefined
): { readonly span: Span; readonly document: DocumentSays } {
	return ref ? findLayer(resolved, ref) : resolved.site.settings;
}

function fileIn(
	{ head }: DocumentSays,
	{ kind, from }: Pick<DocumentFile, 'kind' | 'from'>
): Sheet | Script | undefined {
	return head.filter(isFile).find((one) => one.kind === kind && one.from.text === from);
}

function isFile(item: HeadItem): item is Sheet | Script {
	return item.kind !== 'head';
}

function lineOf(file: DocumentFile): string {
	if (file.kind === 'script') return ['script', quoted(file.from), ...file.words].join(' ');
	const media = file.media === undefined ? [] : ['media', quoted(file.media)];
	return ['sheet', quoted(file.from), ...media].join(' ');
}
