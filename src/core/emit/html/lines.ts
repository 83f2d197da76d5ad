/** The lines of a page as they are written. */
export class HtmlLines {
	private readonly lines: string[] = [];

	write(depth: number, text: string): void {
		this.lines.push('  '.repeat(depth) + text);
	}

	/** Gives what was written, and starts anew. */
	take(): string {
		return this.lines.splice(0).join('\n');
	}
}
