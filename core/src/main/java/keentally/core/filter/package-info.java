/** Pictures from pictures: every value from its surroundings, read mirrored at the picture's border. */
package keentally.core.filter;
