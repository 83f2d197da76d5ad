/** ms that anything is waited for: the one limit of all tests, and generous, since machines are busy elsewhere. */
export const longest = 120_000;

/** Waits until a function gives something, in the test's own process. */
export async function until<T>(
	what: string,
	ask: () => Promise<T | undefined | false>
): Promise<T> {
	let failure = '';
	const end = Date.now() + longest;
	while (Date.now() < end) {
		const found = await ask().catch((reason: unknown) => void (failure = ` ${String(reason)}`));
		if (found) return found;
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	throw new Error(`Waited in vain until ${what}.${failure}`);
}
