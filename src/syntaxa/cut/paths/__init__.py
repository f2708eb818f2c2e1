"""From contours to what the tool's middle follows: sides, leads, depths, tabs, pockets, order."""
