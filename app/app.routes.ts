import type { Routes } from '@angular/router';
import { Shelf } from './shelf/shelf';

export const routes: Routes = [
  { path: '', pathMatch: 'full', component: Shelf, title: 'Shelf · Gentle Thumb' },
  {
    path: 'new',
    loadComponent: () => import('./shelf/new-job').then((m) => m.NewJob),
    title: 'New job · Gentle Thumb',
  },
  {
    path: 'drawer',
    loadComponent: () => import('./shelf/drawer-page').then((m) => m.DrawerPage),
    title: 'Drawer · Gentle Thumb',
  },
  {
    path: 'job/:id',
    loadComponent: () => import('./shell/job-frame').then((m) => m.JobFrame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'wish' },
      {
        path: 'wish',
        loadComponent: () => import('./rooms/wish/wish-room').then((m) => m.WishRoom),
        title: 'Wish · Gentle Thumb',
      },
      {
        path: 'probe',
        loadComponent: () => import('./rooms/probe/probe-room').then((m) => m.ProbeRoom),
        title: 'Probe · Gentle Thumb',
      },
      {
        path: 'thumb',
        loadComponent: () => import('./rooms/thumb/thumb-room').then((m) => m.ThumbRoom),
        title: 'Thumb · Gentle Thumb',
      },
      {
        path: 'board',
        loadComponent: () => import('./rooms/board/board-room').then((m) => m.BoardRoom),
        title: 'Board · Gentle Thumb',
      },
      {
        path: 'feed',
        loadComponent: () => import('./rooms/feed/feed-room').then((m) => m.FeedRoom),
        title: 'Feed · Gentle Thumb',
      },
      {
        path: 'guard',
        loadComponent: () => import('./rooms/guard/guard-room').then((m) => m.GuardRoom),
        title: 'Guard · Gentle Thumb',
      },
      {
        path: 'sense',
        loadComponent: () => import('./rooms/sense/sense-room').then((m) => m.SenseRoom),
        title: 'Sense · Gentle Thumb',
      },
      {
        path: 'act',
        loadComponent: () => import('./rooms/act/act-room').then((m) => m.ActRoom),
        title: 'Act · Gentle Thumb',
      },
      {
        path: 'routine',
        loadComponent: () => import('./rooms/routine/routine-room').then((m) => m.RoutineRoom),
        title: 'Routine · Gentle Thumb',
      },
      {
        path: 'try',
        loadComponent: () => import('./rooms/try/try-room').then((m) => m.TryRoom),
        title: 'Try · Gentle Thumb',
      },
      {
        path: 'pack',
        loadComponent: () => import('./rooms/pack/pack-room').then((m) => m.PackRoom),
        title: 'Pack · Gentle Thumb',
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
