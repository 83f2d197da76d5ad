import type { Layout, Member } from '../../model/site.ts';
import { arrangementAt, settingsAt, type Bands } from '../bands.ts';

/** A box by what it says about what is in it. */
type Around = Pick<Layout, 'settings' | 'arrangements' | 'members'>;

/** Whether a region in a box can be seen in a band: it, and all that it stands in, is shown and placed. */
export function isShownAt(region: Member, around: Around, bands: Bands, band: number): boolean {
	return around.members.some((member) => {
		const holds =
			member === region || (member.kind === 'wrapper' && isShownAt(region, member, bands, band));
		return holds && isPlaced(member, around, bands, band);
	});
}

function isPlaced(member: Member, around: Around, bands: Bands, band: number): boolean {
	const { show } = settingsAt(member.settings, bands, band);
	if (show?.kind === 'hidden' || show?.kind === 'drawer') return false;
	if (settingsAt(around.settings, bands, band).show?.kind === 'strip') return true;
	const arrangement = arrangementAt(around.arrangements, bands, band);
	if (arrangement?.kind !== 'areas') return true;
	return arrangement.rows.some((row) => row.cells.includes(member.name.text));
}
