// npm run judge -- --minutes N [--seed S] [--only LIST]: all judges in turn, each time with other sites, until time is over.
import { Command } from 'commander';
import { judges, type Judge } from '../tests/judge/judges.ts';

const program = new Command('judge')
	.option('--minutes <n>', 'how long', '10')
	.option(
		'--seed <n>',
		'where to begin; the same seed gives the same sites',
		String(Date.now() % 1_000_000)
	)
	.option('--only <list>', `some of them: ${Object.keys(judges).join(',')}`);
const { minutes, seed, only } = program.parse().opts<{
	minutes: string;
	seed: string;
	only?: string;
}>();
const names = only?.split(',') ?? Object.keys(judges);
const chosen = names.map((name): [string, Judge] => {
	const judge = judges[name];
	if (!judge) return program.error(`There is no judge ${name}.`);
	return [name, judge];
});
const end = Date.now() + Number(minutes) * 60_000;
const totals = new Map<string, number>();
let failed = 0;
for (let round = 0; Date.now() < end; round++) {
	for (const [name, judge] of chosen) {
		if (Date.now() >= end) break;
		const own = Number(seed) + round;
		const { looked, failure } = await judge(own);
		totals.set(name, (totals.get(name) ?? 0) + looked);
		if (!failure) continue;
		failed++;
		console.log(`${name}, seed ${own}: ${failure.says}\n${failure.text}\n`);
	}
}
for (const [name, looked] of totals) console.log(`${name}: ${looked} looked at`);
console.log(`${failed} failures; seeds from ${seed} on`);
process.exitCode = failed > 0 ? 1 : 0;
