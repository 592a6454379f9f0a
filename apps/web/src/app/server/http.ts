import { HttpClient, provideHttpClient, withFetch, withInterceptors, withNoXsrfProtection } from '@angular/common/http';
import { createEnvironmentInjector, EnvironmentInjector, inject, InjectionToken } from '@angular/core';
import { INTERCEPTORS } from './interceptors';

/** The one client of the page, always behind its interceptors, whoever starts it: the page or a spec. The session's own token guards it. */
export const HTTP = new InjectionToken('the line to the server', {
  factory: () =>
    createEnvironmentInjector(
      [provideHttpClient(withFetch(), withInterceptors(INTERCEPTORS), withNoXsrfProtection())],
      inject(EnvironmentInjector),
    ).get(HttpClient),
});
