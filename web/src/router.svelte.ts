/** Where we are: the path of the address. */
class Router {
  path = $state(location.pathname);

  constructor() {
    addEventListener("popstate", () => (this.path = location.pathname));
  }

  /** Goes to a page, and there to a place in it. */
  go(path: string, place = ""): void {
    history.pushState(null, "", place ? `${path}#${place}` : path);
    this.path = path;
    scrollTo(0, 0);
  }
}

export const router = new Router();

/** Lets a link change the page without loading it anew; modified clicks stay the browser's. To be attached. */
export function inside(node: Element): () => void {
  const link = node as HTMLAnchorElement;
  const follow = (event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey || event.button !== 0) return;
    event.preventDefault();
    router.go(link.pathname, link.hash.slice(1));
  };
  link.addEventListener("click", follow);
  return () => link.removeEventListener("click", follow);
}
