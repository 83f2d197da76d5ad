import { watch, type FSWatcher } from 'chokidar';
import { basename, dirname, resolve } from 'node:path';
import { isLeftOut } from '../../core/model/files.ts';

/**
 * Follows what changes in a folder or a file, also when it is moved away and back or made anew: systems follow the
 * thing, not its name, so the folder around it is looked at for a new one of that name.
 */
export class FollowedPath {
	private readonly path: string;
	private readonly around: FSWatcher;
	private inside: FSWatcher | undefined;
	private beginning: Promise<void> = Promise.resolve();
	private isClosed = false;

	/** `onChange` is told of each change, and once more when following has begun: what changed before that was missed. */
	constructor(
		path: string,
		private readonly onChange: () => void
	) {
		this.path = resolve(path);
		const folder = dirname(this.path);
		this.around = watch(folder, {
			ignoreInitial: true,
			depth: 0,
			ignored: (file) => resolve(file) !== folder && resolve(file) !== this.path
		}).on('all', (event) => {
			// What is at the path may be another thing now.
			if (event === 'add' || event === 'addDir') this.begin();
			this.onChange();
		});
		this.begin();
	}

	async close(): Promise<void> {
		this.isClosed = true;
		await this.around.close();
		await this.beginning;
		await this.inside?.close();
	}

	/** One after the other: what still follows the old thing of that name would be shared with the new one. */
	private begin(): void {
		this.beginning = this.beginning.then(async () => {
			await this.inside?.close();
			if (!this.isClosed) this.inside = this.follow();
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
