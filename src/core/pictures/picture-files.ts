import { imageSize } from 'image-size';
import type { PictureFile } from './picture.ts';

/** Reads the size of a picture; undefined where it is none, or of a kind that is not known. */
export function pictureFile(path: string, bytes: Uint8Array): PictureFile | undefined {
	try {
		const { width, height, type } = imageSize(bytes);
		const hasSize = width > 0 && height > 0;
		return {
			path,
			width: hasSize ? width : undefined,
			height: hasSize ? height : undefined,
			isVector: type === 'svg',
			bytes: bytes.length
		};
	} catch {
		return undefined;
	}
}
