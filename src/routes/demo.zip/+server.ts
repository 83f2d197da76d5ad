import { packSource } from '$core/emit/delivery.ts';
import { readSitePath } from '../../cli/site-path.ts';
import type { RequestHandler } from './$types';

/** The demo site as a zip of its folder, read from the project at each request. */
export const GET: RequestHandler = async () => {
	const files = await readSitePath(process.env['LONG_EAVE_DEMO'] ?? 'demo');
	return new Response(packSource(files), { headers: { 'content-type': 'application/zip' } });
};
