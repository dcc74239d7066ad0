import type { RequestHandler } from 'express';

/**
 * Lets the pages of some sites show what is asked for in a frame, where no page may else.
 * @param framesOf sites by the token in the address, `https://class.example`
 */
export const letFrame =
  (framesOf: (token: string) => readonly string[]): RequestHandler =>
  ({ params: { practiceToken = '' } }, res, next) => {
    const sites = framesOf(String(practiceToken));
    if (sites.length === 0) return next();
    const policy = String(res.getHeader('content-security-policy'));
    res.setHeader(
      'content-security-policy',
      policy.replace("frame-ancestors 'none'", `frame-ancestors ${sites.join(' ')}`),
    );
    // Older than the policy, and knows no sites by name.
    res.removeHeader('x-frame-options');
    next();
  };
