/**
 * Libraries make style elements of their own; under a strict content security policy each needs the page's
 * nonce. Must be imported before them.
 */
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;

if (nonce) {
  const create = document.createElement.bind(document);
  document.createElement = (name: string, options?: ElementCreationOptions) => {
    const element = create(name, options);
    if (name.toLowerCase() === 'style') element.setAttribute('nonce', nonce);
    return element;
  };
}
