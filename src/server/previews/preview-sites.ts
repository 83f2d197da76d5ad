import { answer } from '../../core/answer/answer.ts';
import { isSound, type CheckedSite } from '../../core/check/checked-site.ts';
import { soundSite } from '../../core/check/sound.ts';
import { counted } from '../../core/messages/wording.ts';
import type { SiteFiles } from '../../core/model/files.ts';
import { takeIn } from '../../core/source/intake.ts';
import { readSiteFiles } from '../../core/source/read.ts';
import type { PreviewRequest, Question, Reply } from './room-messages.ts';

/** What a text takes, with all that is worked out of it: about so many times as much as the text. */
const worked = 24;

/** The sites that are previewed, as they are read. */
export class PreviewSites {
	private readonly sites = new Map<string, CheckedSite>();

	reply(question: Question): Reply {
		switch (question.kind) {
			case 'read':
				return this.read(question.token, question.zip);
			case 'answer':
				return this.answer(question.token, question.request);
			case 'forget':
				this.sites.delete(question.token);
				return { kind: 'unknown' };
		}
	}

	private read(token: string, zip: Uint8Array): Reply {
		let files: SiteFiles;
		try {
			files = takeIn('site.zip', zip);
		} catch (failure) {
			const why = failure instanceof Error ? failure.message : 'It cannot be read.';
			return { kind: 'refused', why };
		}
		const site = soundSite(readSiteFiles(files, this.sites.get(token)?.reading));
		const errors = site.problems.filter(({ severity }) => severity === 'error').length;
		if (!isSound(site))
			return { kind: 'refused', why: `The text has ${counted(errors, 'error')}.` };
		this.sites.set(token, site);
		return { kind: 'read', bytes: bytesOf(files) };
	}

	private answer(token: string, { base, changed, ...request }: PreviewRequest): Reply {
		const resolved = this.sites.get(token);
		if (!resolved) return { kind: 'unknown' };
		const headLines = [`<script src="${base}.live.js" defer></script>`];
		const site = { resolved, base, changed, failed: new Set<string>(), headLines };
		return { kind: 'answered', answer: answer(site, request) };
	}
}

/** bytes that a site takes in memory, roughly: its files as they are unpacked, and what is worked out of its texts. */
function bytesOf({ texts, assets }: SiteFiles): number {
	const text = [...texts.values()].reduce((sum, { length }) => sum + length, 0);
	return [...assets.values()].reduce((sum, { length }) => sum + length, text * worked);
}
