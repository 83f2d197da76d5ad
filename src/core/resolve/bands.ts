import { BandMemory } from '../lib/band-memory.ts';
import type { Arrangement } from '../model/arrange.ts';
import type {
	Setting,
	SettingKind,
	SettingOf,
	SettingsAt,
	SettingValues
} from '../model/setting.ts';
import type { Band } from '../model/site.ts';
import type { Named } from '../model/span.ts';

/** The bands of a site, narrowest first. A band is meant by its place among them. */
export type Bands = readonly Band[];

/** The place of the band that something is for; the narrowest where it names none, -1 where there is none. */
export function bandPlace(bands: Bands, band: Named | undefined): number {
	return band === undefined ? 0 : bands.findIndex((one) => one.name.text === band.text);
}

/** The band of a width, px. A site without bands has one, from 0. */
export function bandAt(bands: Bands, width: number): number {
	return Math.max(
		0,
		bands.findLastIndex((band) => band.from <= width)
	);
}

/** The places of all bands; one where the site names none. */
export function bandPlaces(bands: Bands): number[] {
	return bands.length === 0 ? [0] : bands.map((_, place) => place);
}

/** What of some things holds in a band, those for narrower bands first. */
function holding<T extends { readonly band: Named | undefined }>(
	list: readonly T[],
	bands: Bands,
	band: number
): T[] {
	const placed = list.map((one) => ({ one, place: bandPlace(bands, one.band) }));
	return placed
		.filter(({ place }) => place >= 0 && place <= band)
		.sort((a, b) => a.place - b.place)
		.map(({ one }) => one);
}

const known = new BandMemory<readonly Setting[], SettingsAt>();

const noSettings: SettingsAt = {};

/** The settings that hold in a band: for each, the one set for the nearest band at or below it. */
export function settingsAt(settings: readonly Setting[], bands: Bands, band: number): SettingsAt {
	if (settings.length === 0) return noSettings;
	return known.get(settings, bands, band, () => settingsFor(settings, bands, band));
}

function settingsFor(settings: readonly Setting[], bands: Bands, band: number): SettingsAt {
	const found: { [K in SettingKind]?: SettingValues[K] } = {};
	for (const setting of holding(settings, bands, band)) put(found, setting);
	return found;
}

function put<K extends SettingKind>(
	found: { [P in SettingKind]?: SettingValues[P] },
	{ kind, value }: SettingOf<K>
): void {
	found[kind] = value;
}

/** The setting as written that holds in a band; undefined where none is set. */
export function settingHolding(
	settings: readonly Setting[],
	kind: SettingKind,
	bands: Bands,
	band: number
): Setting | undefined {
	return holding(
		settings.filter((one) => one.kind === kind),
		bands,
		band
	).at(-1);
}

/** The arrangement that holds in a band; undefined where none is set: one below the other. */
export function arrangementAt(
	arrangements: readonly Arrangement[],
	bands: Bands,
	band: number
): Arrangement | undefined {
	return holding(arrangements, bands, band).at(-1);
}

/** px; no screen is as wide. */
const widestBreakpoint = 9999;

/** Where a band may start, whole px: between the breakpoints beside it, since bands keep their order. */
export function breakpointNear(
	bands: readonly { readonly from: number }[],
	index: number,
	from: number
): number {
	const least = (bands[index - 1]?.from ?? 0) + 1;
	const most = (bands[index + 1]?.from ?? widestBreakpoint + 1) - 1;
	return Math.round(Math.min(most, Math.max(least, from)));
}
