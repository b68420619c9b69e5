import { Refused } from './client';

/**
 * Whether a question is asked again that had so many answers that were none. A search whose place a newer one of another window took is;
 * so is, once, what nobody was signed in for: it may have set out before somebody signed in and been dealt with after it. What is refused for
 * good is not.
 */
export function isWorthAnother(count: number, error: unknown): boolean {
    if (!(error instanceof Refused) || error.status === 0 || error.status >= 500) return count < 2;
    return count < (error.status === 409 ? 3 : error.status === 401 ? 1 : 0);
}
