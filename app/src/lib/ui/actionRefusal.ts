import { frameTexts as say } from '../texts/frame';

/** What comes back when something was sent to an action of a page: its result, or a message of what stands before all pages. */
export interface ActionAnswer {
  readonly type?: string;
  readonly status?: number;
  readonly message?: string;
  readonly error?: { readonly message?: string };
}

/** Why an action did nothing, if its page does not say so itself; undefined where it does, and where the action was carried out. */
export function actionRefusal({ type, status, message, error }: ActionAnswer): string | undefined {
  // What is refused before a page is asked, as when a sign-in has ended, comes as a message and not as a result.
  if (type === undefined) return message ?? say.wentWrong;
  if (type !== 'error') return undefined;
  // Whatever the server answers has a status.
  return status === undefined ? say.notReached : (error?.message ?? say.wentWrong);
}
