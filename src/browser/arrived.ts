import { all, partsOf, rectOf } from './dom.ts';

/** ms after which pictures and faces that have not come are as good as missing. */
const patience = 4000;

/** Pictures have their sizes, and text its faces, once they have come; what is to come late comes at once. */
export async function arrived(inner: Document): Promise<void> {
	const pictures = all(inner, 'img').filter((one): one is HTMLImageElement => 'complete' in one);
	for (const picture of pictures) picture.loading = 'eager';
	const waiting = pictures
		.filter(({ complete }) => !complete)
		.map(
			(picture) =>
				new Promise((done) => {
					picture.addEventListener('load', done, { once: true });
					picture.addEventListener('error', done, { once: true });
				})
		);
	const late = new Promise((done) => setTimeout(done, patience));
	// Faces are asked for once something is laid out with them.
	const root = partsOf(inner)?.root;
	if (root) rectOf(root);
	await Promise.race([Promise.all([...waiting, inner.fonts.ready]), late]);
}
