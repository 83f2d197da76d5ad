import { error } from '@sveltejs/kit';
import { examples } from '$core/starter/examples.ts';
import { packSource } from '$core/emit/delivery.ts';
import { readSitePath } from '../../../cli/files/site-path.ts';
import type { EntryGenerator, RequestHandler } from './$types';

/** Written by the build, so that a package has them without the folders they come from. */
export const prerender = true;

export const entries: EntryGenerator = () => examples.map(({ name }) => ({ name }));

/** An example as a zip of its folder. */
export const GET: RequestHandler = async ({ params: { name } }) => {
	if (!examples.some((one) => one.name === name)) error(404, 'There is no such example.');
	const packed = packSource(await readSitePath(`examples/${name}`));
	return new Response(packed, { headers: { 'content-type': 'application/zip' } });
};
