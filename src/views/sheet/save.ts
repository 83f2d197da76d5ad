import { sheetDocument, sheetFile, type FileRow } from '$core/sheet/sheet-file.ts';
import type { DrawingWay } from '$core/sheet/svg.ts';
import { saveFile, slugOf } from '$store/files/download.ts';
import { store } from '$store/site.svelte.ts';
import type { SheetRequest } from '$workers/sheets.ts';
import { filePalette } from './palette.ts';

/** Pages that are written before it is said how far it has got. */
const atOnce = 24;
/** px; browsers draw no larger pictures. */
const mostPx = 16_000;

/** Saves the sheet, or prints it; `says` is told how far it has got. */
export async function saveSheet(
	kind: 'svg' | 'png' | 'print',
	site: string,
	pages: readonly { readonly page: string; readonly alike: number }[],
	request: SheetRequest,
	way: DrawingWay,
	says: (words: string) => void
): Promise<void> {
	const rows: FileRow[] = [];
	for (let from = 0; from < pages.length; from += atOnce) {
		says(`${from} of ${pages.length} pages written`);
		rows.push(...(await store.core.sheet.fileRows(pages.slice(from, from + atOnce), request, way)));
	}
	const title = `${site}: every page at ${request.columns.map(({ width }) => `${width} px`).join(', ')}`;
	const name = `${slugOf(site)}-sheet`;
	const palette = filePalette();
	if (kind === 'print') {
		printDocument(sheetDocument(title, request.columns, rows, way, palette));
		return;
	}
	const svg = new Blob([sheetFile(title, request.columns, rows, way, palette)], {
		type: 'image/svg+xml'
	});
	if (kind === 'svg') saveFile(`${name}.svg`, svg);
	else saveFile(`${name}.png`, await pictureOf(svg));
}

async function pictureOf(svg: Blob): Promise<Blob> {
	const url = URL.createObjectURL(svg);
	try {
		const image = new Image();
		image.src = url;
		await image.decode();
		const scale = Math.min(2, mostPx / Math.max(image.width, image.height));
		const canvas = document.createElement('canvas');
		canvas.width = Math.round(image.width * scale);
		canvas.height = Math.round(image.height * scale);
		canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
		const made = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
		if (!made) throw new Error('the browser made no picture of it');
		return made;
	} finally {
		URL.revokeObjectURL(url);
	}
}

/** Prints a document from a frame that goes away with it. */
function printDocument(html: string): void {
	const frame = document.createElement('iframe');
	frame.style.cssText = 'position:fixed;width:0;height:0;border:0;visibility:hidden';
	frame.srcdoc = html;
	frame.onload = () => {
		const inner = frame.contentWindow;
		inner?.addEventListener('afterprint', () => frame.remove());
		inner?.print();
	};
	document.body.append(frame);
}
