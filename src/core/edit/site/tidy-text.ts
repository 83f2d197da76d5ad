import type { CheckedSite } from '../../check/checked-site.ts';
import { tidy } from '../../format/tidy.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/**
 * Writes the text of a file, or of all files, anew, as one would with care. Refused where it cannot be read, or is tidy.
 */
export function tidyText(
	{ site, reading }: CheckedSite,
	surgery: Surgery,
	file: string | undefined
): void {
	const bands = site.settings.bands.map(({ name }) => name.text);
	const chosen = [...reading.files.texts].filter(([path]) => file === undefined || path === file);
	let count = 0;
	for (const [path, text] of chosen) {
		const tidied = tidy(text, bands);
		if (tidied === undefined) {
			const sentence = `${path} has an error; it can be tidied once that is fixed.`;
			throw new CommandRefused(sentence, { file: path, from: 0, to: 0 });
		}
		if (tidied === text) continue;
		surgery.replace({ file: path, from: 0, to: text.length }, tidied);
		count++;
	}
	if (count === 0) throw new CommandRefused(`${file ?? 'Every text'} is tidy as it is.`);
}
