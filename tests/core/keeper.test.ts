import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { before, mock, test } from 'node:test';
import fc from 'fast-check';
import { emptyHistory } from '../../src/store/keep/history.ts';
import { advance, entryFor, type Entry, type Work } from '../../src/store/keep/journal.ts';
import type { Keeper } from '../../src/store/keep/keeper.svelte.ts';

/** Each edit is handed to the browser as it is made; what the browser refuses is said, and tried again in its order. */

// The drivers of the storage are looked for when it is loaded, so it is loaded after there is one.
let modules: {
	readonly keeper: typeof import('../../src/store/keep/keeper.svelte.ts');
	readonly work: typeof import('../../src/store/keep/work.ts');
	readonly states: typeof import('../../src/store/keep/states.ts');
	readonly listing: typeof import('../../src/store/keep/listing.ts');
};
before(async () => {
	Object.assign(globalThis, { self: globalThis });
	modules = {
		keeper: await import('../../src/store/keep/keeper.svelte.ts'),
		work: await import('../../src/store/keep/work.ts'),
		states: await import('../../src/store/keep/states.ts'),
		listing: await import('../../src/store/keep/listing.ts')
	};
});
/** A test after which nothing is left of what it kept and stood in for: all tests share one storage. */
function keeping(name: string, tried: () => Promise<void>): void {
	test(name, async () => {
		const first = ids;
		try {
			await tried();
		} finally {
			mock.restoreAll();
			mock.timers.reset();
			for (let id = first; id < ids; id++) await modules.listing.dropSite(`kept${id}`);
		}
	});
}

/** A site that is open and edited, with what keeps it. */
class Open {
	work: Work = {
		texts: new Map([['site.eave', 'begin']]),
		assets: new Map(),
		history: emptyHistory,
		number: 0
	};
	readonly told: Entry[] = [];
	overtaken = 0;
	readonly keeper: Keeper;

	private constructor(readonly id: string) {
		this.keeper = new modules.keeper.Keeper(
			() => ({ listed: { id, name: id, changed: 0 }, work: this.work }),
			(entries) => this.told.push(...entries),
			() => this.overtaken++
		);
	}

	static async site(): Promise<Open> {
		const open = new Open(`kept${ids++}`);
		await open.keeper.flush(true);
		return open;
	}

	/** Writes something at the end of the text. */
	write(insert: string, more: { readonly typing?: boolean; readonly label?: string } = {}): void {
		const at = this.text.length;
		const changes = [{ kind: 'edit' as const, file: 'site.eave', from: at, to: at, insert }];
		this.do(changes, more);
	}

	do(
		changes: Extract<Entry, { kind: 'do' }>['changes'],
		{ typing = false, label = 'write' } = {}
	): void {
		const entry = entryFor(this.work, { kind: 'do', label, changes, at: this.work.number, typing });
		assert.ok(entry);
		const { work } = this;
		this.work = advance(work, entry);
		this.keeper.note(entry, work);
	}

	get text(): string {
		return this.work.texts.get('site.eave') ?? '';
	}

	/** What another start of the application would find. */
	async found(): Promise<string | undefined> {
		return (await modules.work.fetchWork(this.id))?.work.texts.get('site.eave');
	}
}
let ids = 0;

/** Lets the storage refuse what comes, as one that is full; gives the way to let it take again. */
function full(): () => void {
	const add = mock.method(IDBObjectStore.prototype, 'add', () => {
		throw new DOMException('There is no room left', 'QuotaExceededError');
	});
	return () => add.mock.restore();
}

/** Lets what is under way come to its end, without any time passing. */
async function turns(): Promise<void> {
	for (let turn = 0; turn < 40; turn++) await new Promise((next) => setImmediate(next));
}

keeping(
	'every key that is typed is on its way at once: nothing is waited for, and nothing is gathered',
	async () => {
		const open = await Open.site();
		const add = mock.method(IDBObjectStore.prototype, 'add');
		for (const key of 'abcdefgh') open.write(key, { typing: true });
		assert.ok(open.keeper.pending);
		await turns();
		assert.equal(add.mock.callCount(), 8);
		assert.ok(!open.keeper.pending);
		assert.equal(await open.found(), 'beginabcdefgh');
		assert.deepEqual(
			open.told.map(({ number }) => number),
			[1, 2, 3, 4, 5, 6, 7, 8]
		);
	}
);

keeping(
	'where the browser refuses, that is said; what was refused is kept in its order when it can be again',
	async () => {
		const open = await Open.site();
		mock.timers.enable({ apis: ['setTimeout'] });
		const letGo = full();
		open.write('one ');
		open.write('two ');
		await turns();
		assert.match(open.keeper.fault ?? '', /no room left/);
		assert.ok(open.keeper.pending);
		assert.deepEqual(open.told, []);
		// It is tried again by itself, and again in vain.
		mock.timers.tick(2000);
		await turns();
		assert.match(open.keeper.fault ?? '', /no room left/);
		letGo();
		mock.timers.tick(2000);
		await turns();
		assert.equal(open.keeper.fault, undefined);
		assert.ok(!open.keeper.pending);
		assert.equal(await open.found(), 'beginone two ');
		assert.deepEqual(
			open.told.map(({ number }) => number),
			[1, 2]
		);
	}
);

keeping(
	'what comes after something that was refused is kept behind it, however both arrive',
	async () => {
		await fc.assert(
			fc.asyncProperty(fc.array(fc.boolean(), { minLength: 1, maxLength: 8 }), async (refusals) => {
				const open = await Open.site();
				mock.timers.enable({ apis: ['setTimeout'] });
				for (const [at, refuses] of refusals.entries()) {
					const letGo = refuses ? full() : undefined;
					open.write(`${at} `);
					await turns();
					letGo?.();
				}
				mock.timers.tick(2000);
				await turns();
				assert.equal(open.keeper.fault, undefined);
				assert.equal(await open.found(), open.text);
				mock.timers.reset();
			}),
			{ numRuns: 20 }
		);
	}
);

keeping('a browser that does not answer is said not to, and is asked again', async () => {
	const open = await Open.site();
	mock.timers.enable({ apis: ['setTimeout'] });
	let asked = 0;
	const never = new Promise<void>(() => undefined);
	const keeping = open.keeper.put(() => (++asked === 1 ? never : Promise.resolve()));
	await turns();
	assert.equal(open.keeper.fault, undefined);
	mock.timers.tick(8000);
	assert.equal(await keeping, false);
	assert.match(open.keeper.fault ?? '', /does not answer/);
	mock.timers.tick(2000);
	await turns();
	assert.equal(asked, 2);
	assert.equal(open.keeper.fault, undefined);
});

keeping('after 120 entries the whole is kept, so that opening goes through few', async () => {
	const open = await Open.site();
	const whole = mock.method(IDBObjectStore.prototype, 'put');
	for (let at = 0; at < 119; at++) open.write('x', { typing: true });
	await open.keeper.flush();
	assert.equal(whole.mock.callCount(), 0);
	open.write('x', { typing: true });
	await open.keeper.flush();
	assert.ok(whole.mock.callCount() > 0);
	assert.equal(await open.found(), `begin${'x'.repeat(120)}`);
});

keeping(
	'another tab that has kept an edit where this one would is told of, and not written over',
	async () => {
		const open = await Open.site();
		const entry = entryFor(open.work, {
			kind: 'do',
			label: 'elsewhere',
			changes: [{ kind: 'edit', file: 'site.eave', from: 0, to: 5, insert: 'theirs' }],
			at: 0,
			typing: false
		});
		assert.ok(entry);
		await modules.work.keepEntry(open.id, entry, false);
		open.write(' mine');
		await turns();
		assert.equal(open.overtaken, 1);
		assert.equal(await open.found(), 'theirs');
		assert.deepEqual(open.told, []);
	}
);

keeping(
	'a large deed keeps how it was before, by its name; a small one and typing do not',
	async () => {
		const open = await Open.site();
		const edit = { kind: 'edit' as const, file: 'site.eave', from: 0, to: 0, insert: 'x' };
		const eight = Array.from({ length: 8 }, () => edit);
		open.do(eight.slice(1), { label: 'seven places' });
		open.do(eight, { label: 'typed', typing: true });
		await turns();
		assert.deepEqual(await modules.states.listStates(open.id), []);
		const before = open.text;
		open.do(eight, { label: 'eight places' });
		await turns();
		const [state, ...others] = await modules.states.listStates(open.id);
		assert.ok(state);
		assert.deepEqual(others, []);
		assert.equal(state.name, 'before “eight places”');
		assert.equal(state.by, 'itself');
		assert.equal((await modules.states.filesOfState(state))?.texts.get('site.eave'), before);
		assert.equal(await open.found(), open.text);
	}
);

keeping(
	'leaving hands over all that is not kept yet, and another site begins without it',
	async () => {
		const open = await Open.site();
		mock.timers.enable({ apis: ['setTimeout'] });
		const letGo = full();
		open.write('late');
		await turns();
		letGo();
		open.keeper.handOver();
		await turns();
		assert.equal(await open.found(), 'beginlate');
		open.keeper.reset();
		assert.ok(!open.keeper.pending);
		assert.equal(open.keeper.fault, undefined);
	}
);
