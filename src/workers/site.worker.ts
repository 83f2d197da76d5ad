import { expose } from 'comlink';
import { Desk } from './desk.ts';

expose(new Desk(new Date().getFullYear()));
