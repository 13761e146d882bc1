declare global {
  namespace App {
    interface PageState {
      /** The sheets that are open, each a step of the browser's history. */
      sheets?: number[];
    }
  }
}

export {};
