/** A number of bytes as people read it. */
export function sizeText(bytes: number): string {
	if (bytes < 1024) return `${bytes} B`;
	const kilo = bytes / 1024;
	return kilo < 1024 ? `${kilo.toFixed(1)} kB` : `${(kilo / 1024).toFixed(1)} MB`;
}
