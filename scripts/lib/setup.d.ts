import type { ChildProcess, StdioOptions } from 'node:child_process';

export declare const root: string;
export declare const sharedServer: string;
export declare const sharedBrowsers: string;
export declare function must(
	command: string,
	args: readonly string[],
	env?: Readonly<Record<string, string>>
): void;
export declare function install(): void;
export declare function build(): void;
export declare function serve(
	port: number,
	stdio?: StdioOptions
): Promise<{ server: ChildProcess; address: string }>;
export declare function anyPort(): Promise<number>;
