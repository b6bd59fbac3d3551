/// <reference lib="webworker" />
import { unpackZip, type Unpacked } from '../../core/pack/zip';
import { serve } from './serve';

serve<File, Unpacked>(async (file) => unpackZip(new Uint8Array(await file.arrayBuffer())));
