import { urlsIn } from '../../emit/css/author/style-urls.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { Addresses, linkTarget } from '../subject/link-target.ts';
import { stylesOf } from '../subject/styles-of.ts';
import { importsOf } from './style-import.ts';

const styled = (css: string): string => plainPage('<h1>Seed</h1>', `style """${css}"""`);

export const styleFiles: WholeCheck = {
	of: 'whole',
	codes: ['style-file-missing'],
	what: 'What styles name is there: pictures, faces of type.',
	why: 'Browsers show nothing in its place, or another face of type.',
	examples: {
		'style-file-missing': {
			wrong: styled('h1 { background: url("images/pod.svg") }'),
			mended: styled('h1 { background: url("pod.svg") }'),
			files: { 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>' }
		}
	},
	find(resolved) {
		const addresses = Addresses.of(resolved);
		return stylesOf(resolved.site).flatMap((style): Problem[] => {
			const { css } = style;
			const imported = importsOf(css);
			const lost = urlsIn(css).filter(({ url, from }) => {
				const isImport = imported.some((one) => one.index <= from && from < one.index + one[0].length); // prettier-ignore
				const target = isImport ? undefined : linkTarget(url, '/');
				return target && url !== '' && !url.startsWith('#') && !addresses.hasFile(target.path);
			});
			return lost.map(({ url, from, to }) =>
				warning('style-file-missing', placeOfStyle(style, from, to - from), url)
			);
		});
	}
};
