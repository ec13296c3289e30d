/** The demo lab on the coast of Skerrow: people and a few cases, loaded once into an empty lab. */
@NullMarked
package org.brantel.demo;

import org.jspecify.annotations.NullMarked;
