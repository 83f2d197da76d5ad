import { counted } from '../messages/wording.ts';

/** A file that shows a picture. */
export interface PictureFile {
	/** Its path from the folder of the site. */
	readonly path: string;
	/** px; undefined where a vector has no size of its own. */
	readonly width: number | undefined;
	readonly height: number | undefined;
	readonly isVector: boolean;
	readonly bytes: number;
}

/** One picture in one or several sizes, the smallest first. */
export interface Picture {
	readonly files: readonly [PictureFile, ...PictureFile[]];
}

/** Whether a file is a picture by its name. */
export function isPicturePath(path: string): boolean {
	return /\.(avif|gif|jpe?g|png|svg|webp)$/i.test(path);
}

/** How far the shapes of two sizes of one picture may differ: what rounding to whole px does to small ones. */
const alike = 0.02;

/** Several files as sizes of one picture; the sentence why they are not that. */
export function asPicture(files: readonly PictureFile[]): Picture | { readonly refused: string } {
	const [first, ...others] = files.toSorted((one, other) => (one.width ?? 0) - (other.width ?? 0));
	if (!first) return { refused: 'There is no picture among the files.' };
	if (others.length === 0) return { files: [first] };
	const vector = files.find(({ isVector }) => isVector);
	if (vector) {
		return { refused: `${vector.path} is drawn at every size: it needs no other sizes beside it.` };
	}
	const shape = ratioOf(first);
	const other = others.find((one) => Math.abs(ratioOf(one) / shape - 1) > alike);
	if (other) {
		const sizes = [first, other].map((one) => `${one.path} is ${one.width} × ${one.height}`);
		return { refused: `These are no sizes of one picture: ${sizes.join(', ')}.` };
	}
	const widths = new Set(files.map(({ width }) => width));
	if (widths.size < files.length) {
		const twice = counted(files.length - widths.size, 'file');
		return { refused: `${twice} of the same width: of each width one is enough.` };
	}
	return { files: [first, ...others] };
}

function ratioOf({ width = 1, height = 1 }: PictureFile): number {
	return width / height;
}

/** The largest of its sizes. */
export function largestOf({ files }: Picture): PictureFile {
	return files.reduce((one, other) => ((other.width ?? 0) > (one.width ?? 0) ? other : one));
}
