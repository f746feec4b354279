/** The one judge: which published limits hold for these figures, at this mains, by these publications. */
package yellowrail.core.judging;
