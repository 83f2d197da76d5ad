// npm run words [-- PATH …]: every sentence that the application and the command line say, by the place where it stands, to be read from top to bottom.
import { saidIn } from './lib/said-words.ts';

let count = 0;
for (const [path, said] of await saidIn(process.argv.slice(2))) {
	console.log(`\n${path}`);
	for (const { line, words } of said) console.log(`  ${String(line).padStart(4)}  ${words}`);
	count += said.length;
}
console.log(`\n${count} sentences and names.`);
