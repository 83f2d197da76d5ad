// Builds the application where what is built is older than what it is built from.
import { build } from './lib/setup.js';

build();
