/** The lines of a page as they are written. */
export class HtmlLines {
	private lines: string[] = [];

	write(depth: number, text: string): void {
		this.lines.push('  '.repeat(depth) + text);
	}

	/** What is written meanwhile, by itself. */
	apart(write: () => void): string {
		const outer = this.lines;
		this.lines = [];
		write();
		const written = this.take();
		this.lines = outer;
		return written;
	}

	/** Gives what was written, and starts anew. */
	take(): string {
		return this.lines.splice(0).join('\n');
	}
}
