import type { HandleClientError } from "@sveltejs/kit";

/** An address that leads nowhere has a page that says so: nothing went wrong in this one. */
export const handleError: HandleClientError = ({ error, status, message }) => {
  if (status !== 404) console.error(error);
  return { message };
};
