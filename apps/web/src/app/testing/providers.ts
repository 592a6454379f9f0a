import { provideHttpClient, withFetch, withInterceptors, withNoXsrfProtection } from '@angular/common/http';
import { INTERCEPTORS } from '../server/interceptors';

/** What every spec is given: requests go out as in the page, and whatever stands in for the wire answers them. */
export default [provideHttpClient(withFetch(), withInterceptors(INTERCEPTORS), withNoXsrfProtection())];
