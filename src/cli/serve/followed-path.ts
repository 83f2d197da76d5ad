import { watch, type FSWatcher } from 'chokidar';
import { stat } from 'node:fs/promises';
import { basename, resolve } from 'node:path';
import { isLeftOut } from '../../core/model/files.ts';

/** ms between two looks at whether what lies at the path is still what is followed. */
const lookEvery = 500;

/**
 * Follows what changes in a folder or a file, also when it is moved away and back or made anew. Systems follow the
 * thing, not its name, and what is taken away and put back at once may reach a watcher as nothing at all: so it is asked
 * again and again which thing has that name now.
 */
export class FollowedPath {
	private readonly path: string;
	private readonly looking: NodeJS.Timeout;
	private inside: FSWatcher | undefined;
	private followed: string | undefined;
	private step: Promise<void> = Promise.resolve();
	private isClosed = false;

	/** `onChange` is told of each change, and once more when following has begun: what changed before that was missed. */
	constructor(
		path: string,
		private readonly onChange: () => void
	) {
		this.path = resolve(path);
		this.looking = setInterval(() => this.look(), lookEvery);
		this.look();
	}

	async close(): Promise<void> {
		this.isClosed = true;
		clearInterval(this.looking);
		await this.step;
		await this.inside?.close();
	}

	/** One after the other: what still follows the old thing of that name would be shared with the new one. */
	private look(): void {
		this.step = this.step.then(async () => {
			const there = await identityOf(this.path);
			if (there === this.followed || this.isClosed) return;
			this.followed = there;
			await this.inside?.close();
			this.inside = there === undefined ? undefined : this.follow();
			this.onChange();
		});
	}

	private follow(): FSWatcher {
		return watch(this.path, {
			ignoreInitial: true,
			ignored: (file) => resolve(file) !== this.path && isLeftOut(basename(file))
		})
			.on('all', () => this.onChange())
			.on('ready', () => this.onChange());
	}
}

/** Numbers of files are given again soon after; the time of birth tells the new one from the old. */
async function identityOf(path: string): Promise<string | undefined> {
	const found = await stat(path, { bigint: true }).catch(() => undefined);
	return found && `${found.dev} ${found.ino} ${found.birthtimeNs}`;
}
