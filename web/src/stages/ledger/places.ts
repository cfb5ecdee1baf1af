/** Where a token is added. */
export const NEW_TOKEN = "new token";
