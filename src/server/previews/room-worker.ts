import { parentPort } from 'node:worker_threads';
import { PreviewSites } from './preview-sites.ts';
import type { Question } from './room-messages.ts';

/** The thread in which previews are read and answered. */
const sites = new PreviewSites();
parentPort?.on('message', (question: Question) => parentPort?.postMessage(sites.reply(question)));
