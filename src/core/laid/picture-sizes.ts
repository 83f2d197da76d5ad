import { imageSize } from 'image-size';
import type { Saying } from '../geometry/pieces/text-lines.ts';
import { decodeSegment } from '../model/address.ts';

interface Size {
	readonly width: number;
	readonly height: number;
}

const sizes = new WeakMap<Uint8Array, { readonly size: Size | undefined }>();

/** How large the pictures are that are among a site's files, px, by the addresses that lead to them. */
export function picturesIn(assets: ReadonlyMap<string, Uint8Array>): Saying['picture'] {
	return (url) => {
		const [path = ''] = url.split(/[?#]/);
		const bytes = assets.get(
			path
				.replace(/^\.?\//, '')
				.split('/')
				.map(decodeSegment)
				.join('/')
		);
		return bytes && sizeOf(bytes);
	};
}

function sizeOf(bytes: Uint8Array): Size | undefined {
	let known = sizes.get(bytes);
	if (!known) sizes.set(bytes, (known = { size: readSize(bytes) }));
	return known.size;
}

function readSize(bytes: Uint8Array): Size | undefined {
	try {
		const { width, height } = imageSize(bytes);
		return width > 0 && height > 0 ? { width, height } : undefined;
	} catch {
		// It is no picture, or of a kind that is not known: then nothing is known of its size.
		return undefined;
	}
}
