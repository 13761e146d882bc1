// Light for kitchens, dark for cellars: the machine's wish until the person says otherwise.
const KEY = "yellow-larder-theme";

class Theme {
  dark = $state(false);

  start(): void {
    const wish = localStorage.getItem(KEY);
    this.#set(wish ? wish === "dark" : matchMedia("(prefers-color-scheme: dark)").matches);
  }

  toggle(): void {
    this.#set(!this.dark);
    localStorage.setItem(KEY, this.dark ? "dark" : "light");
  }

  #set(dark: boolean): void {
    this.dark = dark;
    document.documentElement.dataset.theme = dark ? "dark" : "light";
  }
}

export const theme = new Theme();
