import { Directive } from '@angular/core';
import { MatAutocompleteTrigger } from '@angular/material/autocomplete';

/** Material's list of likely answers beside a box that reads itself: the list only fills the box in, it is no control of its own. */
@Directive({ selector: 'input[gtOffer]' })
export class Offer extends MatAutocompleteTrigger {}
