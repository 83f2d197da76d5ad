/** Text where HTML text or a quoted attribute value stands (HTML standard, section 13.3). */
export function escapeHtml(text: string): string {
	return /[&<>"\u00a0]/.test(text)
		? text
				.replaceAll('&', '&amp;')
				.replaceAll('\u00a0', '&nbsp;')
				.replaceAll('<', '&lt;')
				.replaceAll('>', '&gt;')
				.replaceAll('"', '&quot;')
		: text;
}

/** One CSS value, kept from ending its declaration (CSS Syntax 3, section 4.3.7: escapes). */
export function escapeCssValue(text: string): string {
	return text.replace(/[^\w\s#.,%+-]/g, (character) => {
		return `\\${(character.codePointAt(0) ?? 0).toString(16)} `;
	});
}

const safeSchemes = /^(?:https?|mailto|tel|ftp|sms):/i;

/** Whether a URL that came from a value may be linked: it must not carry script. */
export function isSafeUrl(url: string): boolean {
	const trimmed = url.replace(/[\u0000-\u0020]/g, '');
	return !/^[a-z][a-z0-9+.-]*:/i.test(trimmed) || safeSchemes.test(trimmed);
}
