import { ask, type Outcome } from './ask.ts';
import { currentAge, decide, freshnessLifetime, take, type Copy } from '$core/data/copy.ts';
import type { DataSource } from '$core/model/site.ts';

/** What is known of a source of shared data that comes from elsewhere. */
export interface SourceState {
	readonly name: string;
	readonly asking: boolean;
	/** Why it could not be had the last time, as the end of a sentence. */
	readonly failure: string | undefined;
	/** s; undefined where there is no copy but the one in the site. */
	readonly age: number | undefined;
	/** s for which the source itself calls its answer fresh. */
	readonly lifetime: number | undefined;
	/** It will be asked before it is shown the next time. */
	readonly isDue: boolean;
	/** The copy, as JSON. */
	readonly copy: string | undefined;
	/** When it said last that something changed; ms since 1970 in UTC. */
	readonly noticed: number | undefined;
	readonly answered: 'new' | 'nothing changed' | 'failed' | undefined;
}

/** ms for which a source that failed is left alone, unless someone asks again. */
const waitAfterFailure = 15_000;

interface Known {
	copy: Copy | undefined;
	failure: { readonly why: string; readonly at: number } | undefined;
	asking: boolean;
	/** What the source was said to answer last: new, or that nothing changed. */
	answered: SourceState['answered'];
}

/** The copies of shared data that comes from elsewhere, and how old they are. */
export class Sources {
	private readonly known = new Map<string, Known>();
	/** When sources said that something changed, by their names: ms since 1970 in UTC. */
	private readonly noticed = new Map<string, number>();

	/** What sources have given, by their names. */
	get copies(): ReadonlyMap<string, unknown> {
		const values = new Map<string, unknown>();
		for (const [name, { copy }] of this.known) if (copy) values.set(name, copy.value);
		return values;
	}

	forgetAll(): void {
		this.known.clear();
		this.noticed.clear();
	}

	isAsking(name: string): boolean {
		return this.known.get(name)?.asking ?? false;
	}

	hasFailed(name: string): boolean {
		return this.known.get(name)?.failure !== undefined;
	}

	/** Whether a source has to be asked before its value is shown. */
	isDue(source: DataSource, now: number): boolean {
		const { copy, failure, asking } = this.of(source);
		if (asking || (failure && now - failure.at < waitAfterFailure)) return false;
		if (source.fresh.kind === 'build' && copy) return false;
		return this.decide(source, copy, now) === 'ask';
	}

	/** Takes it that a source has changed, as it says. What it failed in before counts no more. */
	notice(source: DataSource, now: number): void {
		this.noticed.set(source.name.text, now);
		this.of(source).failure = undefined;
	}

	/**
	 * Asks a source at an address. One that has nothing yet is given `first`, where it is a stand-in. Gives
	 * whether its value is another than before.
	 */
	async ask(source: DataSource, address: string, first: string | undefined): Promise<boolean> {
		const known = this.of(source);
		const { copy } = known;
		known.asking = true;
		try {
			const requested = Date.now();
			const decision = copy ? decide(copy, { kind: 'always' }, requested) : undefined;
			const headers = decision?.kind === 'ask' ? decision.headers : {};
			let outcome = await ask(address, headers);
			if (isMissing(outcome) && first !== undefined) {
				await fetch(address, {
					method: 'PUT',
					headers: { 'content-type': 'application/json' },
					body: first
				}).catch(() => undefined);
				outcome = await ask(address, headers);
			}
			const at = { requested, received: Date.now() };
			const taken = outcome.kind === 'failed' ? outcome : take(copy, outcome.response, at);
			if (taken.kind === 'failed') {
				known.failure = { why: taken.why, at: Date.now() };
				known.answered = 'failed';
				return false;
			}
			known.failure = undefined;
			known.copy = taken.copy;
			known.answered = taken.kind === 'new' ? 'new' : 'nothing changed';
			const before = JSON.stringify(copy?.value);
			return taken.kind === 'new' && JSON.stringify(taken.copy.value) !== before;
		} finally {
			known.asking = false;
		}
	}

	state(source: DataSource, now: number): SourceState {
		const { copy, failure, asking, answered } = this.of(source);
		return {
			name: source.name.text,
			asking,
			failure: failure?.why,
			age: copy && currentAge(copy, now),
			lifetime: copy && freshnessLifetime(copy),
			isDue: copy === undefined || this.decide(source, copy, now) === 'ask',
			noticed: this.noticed.get(source.name.text),
			copy: copy && JSON.stringify(copy.value, undefined, '\t'),
			answered
		};
	}

	private decide(source: DataSource, copy: Copy | undefined, now: number): 'use' | 'ask' {
		return decide(copy, source.fresh, now, this.noticed.get(source.name.text)).kind;
	}

	private of({ name }: DataSource): Known {
		let known = this.known.get(name.text);
		if (!known) {
			known = { copy: undefined, failure: undefined, asking: false, answered: undefined };
			this.known.set(name.text, known);
		}
		return known;
	}
}

function isMissing(outcome: Outcome): boolean {
	return outcome.kind === 'answered' && outcome.response.status === 404;
}
