import { config } from 'zod';

// Runs before all else in the browser. Pages may not make code from text, so schemas are not to try:
// every try would be told as a breach of the policy.
config({ jitless: true });
