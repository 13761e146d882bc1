/** What lies over a page, sheets and questions: no page needs it to be drawn. */
export const overlays = () => import("./overlays");
