import type { FormState } from '../kit/form';

/** A series of a file, in words. */
export interface FoundLine {
  uid: string;
  name: string;
  /** When it comes first, and how often. */
  when: string;
  /** What should be known of it. */
  notes: string[];
}

/** A closed span of a file, in words. */
export interface FoundClosed {
  /** Its place in the file's list. */
  index: number;
  name: string;
  when: string;
}

export interface BringState extends FormState {
  /** Where what was taken is seen. */
  to?: string | undefined;
  found?: {
    /** The file as it was read, sent along again when it is taken in. */
    text: string;
    series: FoundLine[];
    closures: FoundClosed[];
    leftOut: string[];
  };
}
