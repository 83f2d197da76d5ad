/** ms in which a browser has read what it was given the URL of. */
const readBy = 10_000;

/** Takes the URL of a blob back once nothing reads it any more: what was asked for a moment ago is still on its way. */
export function releaseUrl(url: string): void {
	setTimeout(() => URL.revokeObjectURL(url), readBy);
}
