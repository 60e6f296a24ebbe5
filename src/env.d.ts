/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    account: import('./server/accounts').Account | null;
    /** The hash of the session's secret; null where nobody is signed in. */
    session: string | null;
  }
}
