// npm run fuzz -- --runs N --seed S [--from R]: mutated sites through everything that the core does.
import { Command } from 'commander';
import { runFuzz } from '../tests/judge/fuzz/run.ts';

const program = new Command('fuzz')
	.option('--runs <n>', 'how many mutated sites', '2000')
	.option('--seed <n>', 'the same seed gives the same sites', String(Date.now() % 1_000_000))
	.option('--from <n>', 'the number of the first run', '0');
const { runs, seed, from } = program.parse().opts<{ runs: string; seed: string; from: string }>();
const started = performance.now();
const result = await runFuzz(Number(runs), Number(seed), Number(from));
for (const [index, { run, says, change }] of result.failures.entries()) {
	// The first are told whole, the others in a line.
	if (index < 20) console.log(`Run ${run}: ${says}\n${JSON.stringify(change).slice(0, 400)}`);
	else console.log(`Run ${run}: ${says.split('\n')[0] ?? ''}`);
}
const seconds = ((performance.now() - started) / 1000).toFixed(1);
console.log(
	`${result.runs} mutated sites, ${result.sound} of them sound, ${result.failures.length} failures; ` +
		`the slowest took ${Math.round(result.slowest)} ms (seed ${seed}); ${seconds} s`
);
if (result.failures.length > 0) process.exitCode = 1;
