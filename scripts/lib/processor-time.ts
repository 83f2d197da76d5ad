/** How long some work keeps the processor (ms), whatever else the machine does meanwhile. */
export function processorTime(work: () => void): number {
	const before = process.cpuUsage();
	work();
	const { user, system } = process.cpuUsage(before);
	return (user + system) / 1000;
}
