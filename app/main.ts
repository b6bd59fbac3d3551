import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app.config';
import { AppRoot } from './shell/app-root';

bootstrapApplication(AppRoot, appConfig).catch((error: unknown) => {
  document.body.textContent = `Gentle Thumb could not start: ${String(error)}. Reload the page; your jobs are kept.`;
});
