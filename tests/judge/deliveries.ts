import { mkdir, mkdtemp, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { listName, writeDelivery, WriteRefused, type Disk, type Written } from '../../src/cli/files/write-delivery.ts'; // prettier-ignore
import { ownerName } from '../../src/cli/files/unfinished-delivery.ts';
import { Random } from './fuzz/random.ts';

/**
 * Whether deliveries into one folder, one after the other, of which some fail and some end with their process at any
 * step, leave what should be there and nothing else; files of others stay as they are.
 */

export interface DeliveriesResult {
	readonly deliveries: number;
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

/** Files and folders may have the same names, so that one takes the place of the other. */
const paths = [
	'index.html',
	'a',
	'a/index.html',
	'a/b',
	'a/b/index.html',
	'c.css',
	'c.css/d',
	'd/e/f'
];
const others = ['notes.txt', 'a/mine.txt', 'e/own'];
/** A number that no process has. */
const nobody = '2147480000';

type Ending = 'whole' | 'fails' | 'process ends';

export async function judgeDeliveries(sites: number, seed: number): Promise<DeliveriesResult> {
	const place = await mkdtemp(join(tmpdir(), 'eave-deliveries-'));
	let deliveries = 0;
	try {
		for (let site = 0; site < sites; site++) {
			const random = new Random(seed * 4099 + site);
			const folder = join(place, String(site));
			const said: string[] = [];
			let should = new Map<string, string>();
			let foreign = new Map<string, string>();
			for (let turn = 0; turn < 5; turn++) {
				deliveries++;
				const files = filesOf(random, `${site}.${turn}`);
				const ending = random.of<Ending>(['whole', 'whole', 'fails', 'process ends']);
				const step = random.below(2 * files.length + 2);
				said.push(`${files.map(({ path }) => path).join(' ')}: ${ending} at ${step}`);
				const outcome = await deliver(files, join(folder, 'site'), ending, step);
				const [owned, left] = [new Map(files.map(({ path, content }) => [path, content])), await filesIn(folder)];
				if (outcome === 'written') should = owned;
				// What had ended in the middle is put right by the next one.
				if (outcome === 'ended') continue;
				const expected = new Map([...foreign, ...should]);
				const says = differing(expected, left);
				if (says !== '') return { deliveries, failure: { text: said.join('\n'), says } };
				if (random.once(2)) foreign = await putOther(random, join(folder, 'site'), foreign, should);
			}
		}
		return { deliveries, failure: undefined };
	} finally {
		await rm(place, { recursive: true, force: true });
	}
} // prettier-ignore

function filesOf(random: Random, content: string): { path: string; content: string }[] {
	const chosen = paths.filter(() => random.once(2));
	// One path cannot be a file and a folder at once.
	return chosen
		.filter((path) => !chosen.some((other) => other.startsWith(`${path}/`)))
		.map((path) => ({ path, content: `${content} ${path}` }));
}

/** Delivers, with a disk that fails or a process that ends at a step. */
async function deliver(
	files: Written,
	out: string,
	ending: Ending,
	step: number
): Promise<'written' | 'refused' | 'ended'> {
	let left = ending === 'whole' ? Infinity : step;
	let isOver = false;
	let end: () => void = () => undefined;
	const ended = new Promise<'ended'>((settle) => (end = () => settle('ended')));
	const goesOn = async (): Promise<void> => {
		if (left-- > 0) return;
		if (ending === 'fails' && !isOver) {
			isOver = true;
			throw Object.assign(new Error('no space'), { code: 'ENOSPC' });
		}
		end();
		await new Promise(() => undefined);
	};
	const disk: Disk = {
		writeFile: async (path, content) => (await goesOn(), writeFile(path, content)),
		rename: async (from, to) => (await goesOn(), rename(from, to))
	};
	const written = writeDelivery(files, out, disk).then(
		() => 'written' as const,
		(failure: unknown) => {
			const isMeant = failure instanceof WriteRefused || (failure instanceof Error && failure.message === 'no space'); // prettier-ignore
			if (!isMeant) throw failure;
			return 'refused' as const;
		}
	);
	const outcome = await Promise.race([written, ended]);
	if (outcome === 'ended') {
		for (const name of await readdir(dirname(out))) {
			if (name.startsWith('.site-')) await writeFile(join(dirname(out), name, ownerName), nobody);
		}
	}
	return outcome;
}

/** A file that someone else puts into the folder, where it stands in nobody's way. */
async function putOther(
	random: Random,
	out: string,
	before: ReadonlyMap<string, string>,
	should: ReadonlyMap<string, string>
): Promise<Map<string, string>> {
	const path = random.of(others);
	const isBlocked = [...should.keys()].some((one) => path.startsWith(`${one}/`));
	if (isBlocked) return new Map(before);
	await mkdir(dirname(join(out, path)), { recursive: true });
	await writeFile(join(out, path), 'mine');
	return new Map([...before, [path, 'mine']]);
}

/** All files of a place by their paths in the folder `site`; what lies beside it by a path that begins with `../`. */
async function filesIn(place: string): Promise<Map<string, string>> {
	const found = new Map<string, string>();
	const entries = await readdir(place, { recursive: true, withFileTypes: true }).catch(() => []);
	for (const entry of entries) {
		if (!entry.isFile() || entry.name === listName) continue;
		const path = join(entry.parentPath, entry.name).slice(place.length + 1);
		const isInside = path.startsWith('site/');
		found.set(isInside ? path.slice('site/'.length) : `../${path}`, await readFile(join(place, path), 'utf8'));
	}
	return found;
} // prettier-ignore

function differing(expected: ReadonlyMap<string, string>, there: ReadonlyMap<string, string>): string {
	for (const [path, content] of expected) {
		if (there.get(path) !== content) return `${path} should be "${content}" and is ${there.get(path) ?? 'not there'}`;
	}
	const more = [...there.keys()].find((path) => !expected.has(path));
	return more === undefined ? '' : `${more} should not be there`;
} // prettier-ignore
