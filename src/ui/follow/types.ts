import type { ComeInProps } from './come-in';

export interface FollowScreenProps extends ComeInProps {
  code: string;
  /** This device came in before. */
  inside: boolean;
  leave: () => Promise<void>;
}
