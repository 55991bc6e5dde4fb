// What Angular's packages are shipped without: needed before any of them is imported.
import '@angular/compiler';
