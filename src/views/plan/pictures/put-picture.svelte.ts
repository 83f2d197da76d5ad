import { pathOfFile } from '$store/files/files.ts';
import { bytesOf } from '$store/files/read-file.ts';
import type { PieceOnPage } from '$core/pictures/box-widths.ts';
import type { PointedAt } from '$core/pictures/picture-place.ts';
import { pointedAt, type Pointed } from '$browser/pointed.ts';

/** A file that one has let go or chosen, and the path that it would have in the site. */
export interface NewPicture {
	readonly path: string;
	/** Undefined where it is a file of the site already. */
	readonly bytes: Uint8Array | undefined;
}

/** Pictures that are being put into a page: while they are dragged over it, and while it is asked what they show. */
class PutPicture {
	/** Where they would go if they were let go now. */
	over = $state.raw<Pointed['edge']>();
	/** What is asked about: where they go, and which they are. */
	asked = $state.raw<{
		readonly at: PointedAt | PieceOnPage;
		readonly pictures: readonly NewPicture[];
	}>();

	/** Whether pictures, and nothing else, are dragged over a page; marks where they would go. */
	drag(inner: Document, event: DragEvent): void {
		this.over = arePictures(event) ? pointedAt(inner, event)?.edge : undefined;
	}

	leave(): void {
		this.over = undefined;
	}

	/** Takes pictures that were let go; gives whether there were any. */
	drop(inner: Document, event: DragEvent): boolean {
		const at = arePictures(event) ? pointedAt(inner, event) : undefined;
		this.over = undefined;
		const files = [...(event.dataTransfer?.files ?? [])];
		if (!at || files.length === 0) return false;
		event.preventDefault();
		event.stopPropagation();
		void this.ask({ element: at.element, after: at.after }, files);
		return true;
	}

	/** Asks what pictures show that are to stand at a place. */
	async ask(at: PointedAt | PieceOnPage, files: readonly File[]): Promise<void> {
		const pictures = await readPictures(files);
		if (files.length > 0 && pictures.length === 0) return;
		this.asked = { at, pictures };
	}
}

/** Each of them with a path that no file of the site has. */
export async function readPictures(files: readonly File[]): Promise<NewPicture[]> {
	const read: NewPicture[] = [];
	for (const file of files) {
		const bytes = await bytesOf(file);
		const taken = read.map(({ path }) => path);
		if (bytes) read.push({ path: pathOfFile(file, taken), bytes });
	}
	return read;
}

function arePictures(event: DragEvent): boolean {
	const items = [...(event.dataTransfer?.items ?? [])];
	return (
		items.length > 0 &&
		items.every(({ kind, type }) => kind === 'file' && type.startsWith('image/'))
	);
}

export const putPicture = new PutPicture();
