// What was pressed may lead on when it is done; whoever went elsewhere meanwhile is not fetched away from there.
import { page } from "$app/state";

/** At the press: tells, once it is done, whether whoever pressed is still where they pressed. */
export function stayed(): () => boolean {
  const { href } = page.url;
  return () => page.url.href === href;
}
