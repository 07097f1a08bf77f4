/** The page a payer came from is kept in their own window: its address is their secret, and nothing for the desk. */
const key = (desk: string) => `paying ${desk}`;

/** Remembers from where somebody goes to the desk. */
export function rememberPayer(desk: string): void {
  sessionStorage.setItem(key(desk), location.pathname);
}

/** Where somebody at the desk came from; null in another window. */
export function wayBack(desk: string): string | null {
  return sessionStorage.getItem(key(desk));
}
