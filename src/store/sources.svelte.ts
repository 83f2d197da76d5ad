import * as z from 'zod/mini';
import type { SourceState } from '../sources/sources.ts';
import { store } from './site.svelte.ts';

/** How a stand-in behaves, as the service has it. */
const behaviourSchema = z.object({
	/** ms before it answers. */
	delay: z.number(),
	failure: z.enum(['none', 'error', 'no-json', 'too-large', 'redirects', 'silent']),
	cacheControl: z.string()
});
export type Behaviour = z.infer<typeof behaviourSchema>;

/** Shared data that comes from elsewhere: it is asked for when a page shows it and its copy is too old. */
class SourcesStore {
	states = $state.raw<readonly SourceState[]>([]);

	/** Asks what the page that is shown needs, where its copies are too old. */
	async refresh(): Promise<void> {
		const names = store.page?.sources ?? [];
		if (names.length === 0) return;
		const due = await store.core.sources.due(names).catch(() => []);
		await Promise.all(due.map((name) => this.ask(name)));
	}

	/** Asks a source whatever its copy's age, and draws what it gives. */
	async ask(name: string): Promise<void> {
		const asking = store.core.sources.ask(name, store.id).catch(() => false);
		await this.look();
		// What has no value meanwhile shows that it is on its way.
		const hasNone = this.states.some((one) => one.name === name && one.copy === undefined);
		if (hasNone && store.page?.sources.includes(name)) await store.redraw();
		if (await asking) await store.redraw();
		await this.look();
	}

	/** Looks at ages again. */
	async look(): Promise<void> {
		this.states = await store.core.sources.states().catch(() => []);
	}

	/** What the stand-in itself says, past every copy and failure; undefined where it has nothing. */
	async atSource(name: string): Promise<string | undefined> {
		const answered = await fetch(`${this.address(name)}&look`).catch(() => undefined);
		return answered?.status === 200 ? answered.text().catch(() => undefined) : undefined;
	}

	/** The source says that something changed: who waits for that asks it anew. */
	async notice(name: string): Promise<void> {
		await store.core.sources.notice(name);
		await this.look();
		await this.refresh();
	}

	/** Changes what the stand-in says, which gives notice of it; gives the sentence of a refusal. */
	async change(name: string, text: string): Promise<string | undefined> {
		const answered = await fetch(this.address(name), {
			method: 'PUT',
			headers: { 'content-type': 'application/json' },
			body: text
		}).catch(() => undefined);
		if (!answered) return 'The stub service does not answer.';
		if (!answered.ok) return sentenceIn(answered);
		await this.notice(name);
		return undefined;
	}

	/** Changes how the stand-in answers, and gives how it does then. */
	async behave(name: string, behaviour: Partial<Behaviour>): Promise<string | undefined> {
		const answered = await this.patch(name, behaviour);
		if (!answered) return 'The stub service does not answer.';
		return answered.ok ? undefined : sentenceIn(answered);
	}

	/** How the stand-in answers at the moment. */
	async behaviourOf(name: string): Promise<Behaviour | undefined> {
		const answered = await this.patch(name, {});
		if (!answered?.ok) return undefined;
		const said: unknown = await answered.json().catch(() => undefined);
		return behaviourSchema.safeParse(said).data;
	}

	private patch(name: string, behaviour: Partial<Behaviour>): Promise<Response | undefined> {
		return fetch(this.address(name), {
			method: 'PATCH',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(behaviour)
		}).catch(() => undefined);
	}

	private address(name: string): string {
		return `/stand-in/data/${name}?of=${encodeURIComponent(store.id)}`;
	}
}

/** What a service says went wrong (RFC 9457). */
export async function sentenceIn(answered: Response): Promise<string> {
	const said: unknown = await answered.json().catch(() => undefined);
	const hasTitle = typeof said === 'object' && said !== null && 'title' in said;
	return hasTitle && typeof said.title === 'string'
		? said.title
		: `It answered ${answered.status}.`;
}

export const sources = new SourcesStore();
