import { packSource } from '$core/emit/delivery.ts';
import { readSitePath } from '../../cli/files/site-path.ts';
import type { RequestHandler } from './$types';

/** Written by the build, so that a package has it without the folder it comes from. */
export const prerender = true;

/** The demo site as a zip of its folder. */
export const GET: RequestHandler = async () =>
	new Response(packSource(await readSitePath('demo')), {
		headers: { 'content-type': 'application/zip' }
	});
