import type { Place } from '@/core/checks/finding';

/** The address of a place on the desk. @param fit the text that Fit is opened at */
export function spotUrl(issue: string, at: Place, fit?: string): string {
  const query = new URLSearchParams();
  if (at.page) query.set('page', at.page);
  if (at.frame) query.set('frame', at.frame);
  if (fit) query.set('fit', fit);
  return `/issues/${issue}/pages?${query.toString()}`;
}
