// Writes the Marrow Street Kitchen jobs into demo/. All names and readings are invented.
import './demo-jobs/rice-pot';
import './demo-jobs/yard-gate';
import './demo-jobs/dough-proofer';
import './demo-jobs/cold-room-alarm';
import './demo-jobs/hatch-shutter';
import './demo-jobs/extractor-rocker';
import './demo-jobs/hood-fan';
import './demo-jobs/glass-washer';
import './demo-jobs/larder-dehumidifier';
import './demo-jobs/steam-flaps';
import './demo-jobs/ice-bath-valve';
import './demo-jobs/proving-cabinet';
