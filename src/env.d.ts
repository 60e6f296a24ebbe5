/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    account: import('./server/accounts').Account | null;
  }
}
